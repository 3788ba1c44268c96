import fc from 'fast-check';
import { shortLabels } from './shortLabels';

test('as few letters as tell the names apart, and the number', () => {
  expect(shortLabels(['Katsura 14', 'Hornbeam 1', 'Tulip tree 1', 'Hornbeam 12'])).toEqual({
    short: ['K14', 'H1', 'T1', 'H12'],
    key: [
      { letters: 'H', name: 'Hornbeam' },
      { letters: 'K', name: 'Katsura' },
      { letters: 'T', name: 'Tulip tree' },
    ],
  });
  expect(shortLabels(['Linden 3', 'Lime 3', 'Gate oak']).short).toEqual(['Lin3', 'Lim3', 'Gate oak']);
  // Of one name the number alone.
  expect(shortLabels(['Ash 1', 'Ash 2'])).toEqual({ short: ['1', '2'], key: [] });
  expect(shortLabels(['26', 'Oak 26']).short).toEqual(['26', 'O26']);
  expect(shortLabels(['7', '8b']).short).toEqual(['7', '8b']);
});

test('trees of different labels have different short ones', () => {
  const name = fc.constantFrom('Oak', 'Oakleaf', 'oak', 'Ash', 'Lime', 'Linden', 'Tulip tree', '');
  const label = fc
    .tuple(name, fc.integer({ min: 1, max: 30 }))
    .map(([n, i]) => (n ? `${n} ${i}` : String(i)));
  fc.assert(
    fc.property(fc.uniqueArray(label, { maxLength: 40 }), (labels) => {
      expect(new Set(shortLabels(labels).short).size).toBe(labels.length);
    }),
  );
});
