import fc from 'fast-check';
import { MATTERS } from '../practice';
import { PRACTICE_TABLE, rowsOf } from '../diagnosis';
import { tradeLengths } from '.';

test('rules of thumb are spoken in inches where inches are read, ranges kept', () => {
  expect(tradeLengths('2-5 cm proud in loosened soil', 'us')).toBe('0.75-2 in proud in loosened soil');
  expect(tradeLengths('collar 5-15 cm down', 'us')).toBe('collar 2-6 in down');
  expect(tradeLengths('to about 30 cm, 60 to 90 cm', 'us')).toBe('to about 12 in, 24 to 35 in');
  expect(tradeLengths('5-7.5 cm deep, 7.5 cm clear', 'metric')).toBe('5-7.5 cm deep, 7.5 cm clear');
});

test('no school or judgement speaks of centimetres to whoever reads inches', () => {
  const words = [
    ...MATTERS.flatMap((m) => [m.reason, ...m.schools.flatMap((s) => [s.label, s.warning ?? ''])]),
    ...rowsOf(PRACTICE_TABLE).flatMap((r) => [r.given, r.then, r.why]),
  ];
  expect(words.some((w) => /\bcm\b/.test(w))).toBe(true);
  for (const word of words) expect(tradeLengths(word, 'us')).not.toMatch(/\bcm\b/);
});

test('what is spoken of is within an eighth of what is meant, or half an inch from a foot on', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 200 }), (tenths) => {
      const cm = tenths / 2;
      const inches = Number(/^([\d.]+) in$/.exec(tradeLengths(`${cm} cm`, 'us'))![1]);
      const off = Math.abs(inches - cm / 2.54);
      expect(off).toBeLessThanOrEqual((cm < 2 * 2.54 ? 0.125 : cm < 12 * 2.54 ? 0.25 : 0.5) + 1e-9);
    }),
  );
});
