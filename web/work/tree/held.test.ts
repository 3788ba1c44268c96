import type { Finding, Visit } from '@undrel/core/records';
import { heldBy } from './held';
import type { ReportSource } from './source';

const crown = (density: number, dieback: number): Finding[] => [
  { key: 'crown.density', number: density },
  { key: 'crown.dieback', number: dieback },
];
const visit = (date: string, findings: Finding[], work?: Visit['work']): Visit => ({
  date,
  findings,
  profiles: [],
  probes: [],
  decisions: [],
  ...(work && { work }),
});
const first = visit('2024-05-01', crown(0.7, 0.1), [{ step: 'prune', how: 'done', on: '2024-05-10' }]);
const held = (...later: Visit[]) =>
  heldBy({ visits: [...later, first], schools: {} } as unknown as ReportSource);

test('a later stage is held where the tree is worse since the first, and where it did not answer in its time', () => {
  expect(held()).toBeUndefined();
  expect(held(visit('2025-08-01', crown(0.72, 0.1)))).toBeUndefined();
  expect(held(visit('2025-08-01', crown(0.2, 0.7)))).toMatch(/^Hold the next stage/);
  const flat = [8, 9, 10].map((y) =>
    visit(`20${y + 20}-08-01`, [...crown(0.7, 0.1), { key: 'crown.leafLength', number: 0.05 }]),
  );
  const before = visit('2024-04-01', [{ key: 'crown.leafLength', number: 0.05 }]);
  expect(held(...flat, before)).toMatch(/^Drop what was planned/);
});
