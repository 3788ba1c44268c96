import type { Picture } from '@undrel/core/records';
import { picturePairs } from './picturePairs';

const picture = (on: string, more: Partial<Picture> = {}): Picture => ({
  hash: on
    .replace(/\D/g, '')
    .padEnd(64, String(more.bearing ?? 'a'))
    .slice(0, 64),
  width: 4,
  height: 3,
  on,
  ...more,
});

test('of one side those taken from most nearly the same place stand side by side', () => {
  const dug = (on: string, bearing: number) => picture(on, { shows: 'dig', bearing });
  const pairs = picturePairs([
    { pictures: [dug('2025-05-01', 50)] },
    {
      pictures: [dug('2026-05-01', 62), dug('2026-05-01', 47), dug('2026-05-01', 30), dug('2026-05-01', 90)],
    },
  ]);
  expect(pairs.map((p) => [p.about, p.after.caption])).toEqual([
    ['open root collar from NE', 'open root collar, from NE, 2026-05-01'],
  ]);
  expect(pairs[0]!.after.hash).toBe(dug('2026-05-01', 47).hash);
});

test('the same from the same side at two visits, first and last; what stands alone or was taken on one day is no pair', () => {
  const pairs = picturePairs([
    {
      pictures: [
        picture('2024-05-01', { shows: 'dig', bearing: 0 }),
        picture('2024-05-01', { shows: 'crown' }),
      ],
    },
    {
      pictures: [picture('2025-05-01', { shows: 'dig', bearing: 0 }), picture('2025-05-01', { bearing: 90 })],
    },
    {
      pictures: [
        picture('2026-05-01', { shows: 'dig', bearing: 0 }),
        picture('2026-05-01', { shows: 'crown' }),
        picture('2026-05-01'),
        picture('2025-05-01', { bearing: 90, caption: 'the same day' }),
      ],
    },
    {},
  ]);
  expect(pairs.map((p) => [p.about, p.before.on, p.after.on])).toEqual([
    ['crown', '2024-05-01', '2026-05-01'],
    ['open root collar from N', '2024-05-01', '2026-05-01'],
  ]);
  expect(picturePairs([])).toEqual([]);
  // What was aligned to another picture than the one beside it does not count.
  const four = [
    [0, 0],
    [0.5, 0],
    [0.5, 0.5],
    [0, 0.5],
  ];
  const first = picture('2024-05-01', { shows: 'dig', bearing: 0 });
  const pairTo = (to: string) =>
    picturePairs([
      { pictures: [first] },
      {
        pictures: [
          picture('2026-05-01', {
            shows: 'dig',
            bearing: 0,
            aligned: { to, here: four, there: four } as Picture['aligned'] & object,
          }),
        ],
      },
    ])[0]!.aligned;
  expect(pairTo(first.hash)).toEqual({ here: four, there: four });
  expect(pairTo('f'.repeat(64))).toBeUndefined();
});
