import fc from 'fast-check';
import { byLabel } from '.';

test('labels stand in the order in which people number things', () => {
  const labels = ['Linden 17', 'D10', 'Linden 3', 'D2', 'Äpfel 1', 'Linden', 'linden 4'];
  expect(labels.sort(byLabel)).toEqual([
    'Äpfel 1',
    'D2',
    'D10',
    'Linden',
    'Linden 3',
    'linden 4',
    'Linden 17',
  ]);
});

test('the short way of plain labels is the order of the Unicode collation algorithm', () => {
  // Against ECMA-402's Intl.Collator, in English and by numbers.
  const { compare } = new Intl.Collator('en', { numeric: true });
  const label = fc.string({ unit: fc.constantFrom(...'aAbBzZ019 -ä'), maxLength: 7 });
  fc.assert(
    fc.property(label, label, (a, b) => {
      expect(Math.sign(byLabel(a, b))).toBe(Math.sign(compare(a, b)));
    }),
    { numRuns: 3000 },
  );
});
