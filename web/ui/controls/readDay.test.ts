import fc from 'fast-check';
import { dayProblem, readDay } from './readDay';

test('a day is read whichever way it is typed, and numbers alone year first', () => {
  for (const text of ['2026-05-06', '2026-5-6', '6 May 2026', 'May 6, 2026', '6th May 2026', ' 6. May 2026 '])
    expect([text, readDay(text)]).toEqual([text, '2026-05-06']);
  for (const text of ['', '05/06/2026', '6.5.2026', '2026-13-01', '2026-02-30', 'tomorrow', '0026-05-06'])
    expect([text, readDay(text)]).toEqual([text, undefined]);
});

test('any day reads back from each way of writing it', () => {
  const day = fc.date({ min: new Date('1750-01-01'), max: new Date('2150-12-31'), noInvalidDate: true });
  fc.assert(
    fc.property(day, (date) => {
      const iso = date.toISOString().slice(0, 10);
      const at = new Date(`${iso}T12:00:00Z`);
      const long = (locale: string) =>
        new Intl.DateTimeFormat(locale, {
          day: 'numeric',
          month: 'long',
          year: 'numeric',
          timeZone: 'UTC',
        }).format(at);
      expect([readDay(iso), readDay(long('en-GB')), readDay(long('en-US'))]).toEqual([iso, iso, iso]);
    }),
  );
});

test('what is wrong names the field, the value and the range', () => {
  expect(dayProblem('Planned for', 'soon', '2026-05-06')).toBe(
    'Planned for: “soon” is not a day; allowed: 2026-05-06 or later.',
  );
  expect(dayProblem('Date', '2027-01-01', undefined, '2026-11-28')).toBe(
    'Date: 2027-01-01 is outside what is allowed: 2026-11-28 or earlier.',
  );
  expect(dayProblem('Date', '2026-11-28', '2026-11-28', '2026-11-28')).toBeUndefined();
});
