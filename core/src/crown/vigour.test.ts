import type { Finding } from '../records';
import { vigourFrom } from './index';

const shoots = (...newestFirst: number[]): Finding[] =>
  newestFirst.map((number, i) => ({ key: 'crown.extension', part: 2025 - i, number }));

test('the newest two years are held against those before', () => {
  // Means by hand: (0.09 + 0.11) / 2 and (0.20 + 0.30 + 0.28) / 3.
  const vigour = vigourFrom(shoots(0.09, 0.11, 0.2, 0.3, 0.28))!;
  expect(vigour.recent).toBeCloseTo(0.1, 12);
  expect(vigour.before).toBeCloseTo(0.26, 12);
  expect(vigour.ratio).toBeCloseTo(0.1 / 0.26, 12);
  expect(vigour.series.map((s) => s.year)).toEqual([2021, 2022, 2023, 2024, 2025]);
});

test('order of entry does not matter', () => {
  const findings = shoots(0.09, 0.11, 0.2, 0.3);
  expect(vigourFrom([...findings].reverse())).toEqual(vigourFrom(findings));
});

test('fewer than four years, or shoots that never grew, say nothing', () => {
  expect(vigourFrom(shoots(0.1, 0.1, 0.1))).toBeUndefined();
  expect(vigourFrom(shoots(0.1, 0.1, 0, 0))).toBeUndefined();
  expect(vigourFrom([{ key: 'base.push', answer: 'none' }])).toBeUndefined();
});
