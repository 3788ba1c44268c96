import fc from 'fast-check';
import { SHOWN, type Picture } from '@undrel/core/records';
import { RING } from '@undrel/core/vocabulary';
import { chosenPictures, headOfPictures, MOST_PICTURES, reportPictures } from './chosenPictures';

const some = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: undefined });
/** Any pictures of a visit, each with a hash of its own. */
const visitOn = (on: string, from: number) =>
  fc
    .array(
      fc.record({
        shows: some(fc.constantFrom(...SHOWN)),
        bearing: some(fc.constantFrom(...RING)),
        caption: some(fc.constant('Root A')),
        first: some(fc.constant(true as const)),
        leftOut: some(fc.constant(true as const)),
      }),
      { maxLength: 20 },
    )
    .map((all) => ({
      pictures: all.map((p, i): Picture => {
        const told = Object.fromEntries(Object.entries(p).filter(([, v]) => v !== undefined));
        return { hash: (from + i).toString(16).padStart(64, '0'), width: 4, height: 3, on, ...told };
      }),
    }));

test('whatever was taken: none that is left out, none twice, no more than a report holds, first ones before others', () => {
  fc.assert(
    fc.property(visitOn('2024-05-06', 0), visitOn('2026-05-06', 100), (earlier, visit) => {
      const { first, pair, others, places } = reportPictures(visit, [earlier]);
      const all = [...earlier.pictures, ...visit.pictures];
      expect([...places.values()].sort((a, b) => a - b)).toEqual([...places].map((_, i) => i + 1));
      expect(places.size).toBeLessThanOrEqual(MOST_PICTURES.report);
      for (const hash of places.keys()) expect(all.find((p) => p.hash === hash)!.leftOut).toBeUndefined();
      // Nothing that could go in stays out while there is room.
      const could = visit.pictures.filter((p) => !p.leftOut).length + (pair ? 1 : 0);
      expect(places.size).toBe(Math.min(could, MOST_PICTURES.report));
      // What is to go first does, before and after included.
      first.forEach((p, i) => expect(places.get(p.hash)).toBe(i + 1));
      expect(others.every((p) => !p.first)).toBe(true);
      // Order and client's page begin with the same ones.
      const alone = [...first, ...others];
      expect(
        chosenPictures(visit)
          .filter((p) => p.hash !== pair?.after.hash)
          .slice(0, alone.length),
      ).toEqual(alone);
    }),
  );
});

test('a head of pictures never shows a before without its now', () => {
  const [one, before, now] = [{}, { beside: 'before' as const }, { beside: 'now' as const }];
  expect(headOfPictures([before, now, one], 2)).toEqual([before, now]);
  expect(headOfPictures([one, before, now], 2)).toEqual([one]);
  expect(headOfPictures([one, before, now], 3)).toEqual([one, before, now]);
  expect(headOfPictures([], 4)).toEqual([]);
});
