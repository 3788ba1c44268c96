import { aheadOf, clockWords, roomWords } from './ready';

const DAY = 86_400_000;

test('a clock that is off is said by days or hours, one that is right enough is not', () => {
  const at = Date.parse('2026-11-29T08:00:00Z');
  const date = new Date(at).toUTCString();
  for (const off of [2 * DAY, -2 * DAY, 3 * 3_600_000, 0, 60_000]) expect(aheadOf(date, at + off)).toBe(off);
  expect(aheadOf(null, at)).toBe(0);
  expect(aheadOf('yesterday', at)).toBe(0);
  expect(clockWords(2 * DAY)).toMatch(/ 2 days ahead/);
  expect(clockWords(-2 * DAY - 9000)).toMatch(/ 2 days behind/);
  expect(clockWords(3 * 3_600_000)).toMatch(/ 3 hours ahead/);
  expect(clockWords(60_000)).toBeUndefined();
});

test('little room is said before it is too little', () => {
  expect(roomWords({ usage: 90e6, quota: 100e6 })).toMatch(/10\.0 MB are left/);
  expect(roomWords({ usage: 120e6, quota: 100e6 })).toMatch(/0\.00 MB are left/);
  expect(roomWords({ usage: 1e6, quota: 1e9 })).toBeUndefined();
  expect(roomWords({})).toBeUndefined();
});
