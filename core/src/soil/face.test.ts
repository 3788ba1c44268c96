import { byHand, endsAt, layersTo } from './face';

test('depths of a face go to the layers in their order; what was noted of them stays, and so do deeper ones', () => {
  const noted = [
    { to: 0.2, colour: 'dark' as const },
    { to: 0.5, colour: 'brown' as const, roots: 'few' as const },
    { to: 0.55, colour: 'pale' as const },
    { to: 0.9, colour: 'grey' as const },
  ];
  expect(layersTo(noted, [0.18, 0.6])).toEqual([
    { to: 0.18, colour: 'dark' },
    { to: 0.6, colour: 'brown', roots: 'few' },
    { to: 0.9, colour: 'grey' },
  ]);
  expect(layersTo([], [0.1, 0.3])).toEqual([{ to: 0.1 }, { to: 0.3 }]);
  expect(layersTo(noted, [])).toEqual(noted);
});

test('depths changed by hand are those of no picture, and a face touched again is not what a hole has', () => {
  const layers = [{ to: 0.18 }, { to: 0.6 }, { to: 0.9 }];
  expect(endsAt(layers, [0.18, 0.6])).toBe(true);
  expect(endsAt(layersTo(layers, [0.2, 0.5]), [0.2, 0.5])).toBe(true);
  expect(endsAt(layers, [0.18, 0.61])).toBe(false);
  expect(endsAt(layers.slice(0, 1), [0.18, 0.6])).toBe(false);
  const log = { place: 'ring' as const, bearing: 90, distance: 0.7, layers, traced: 'a'.repeat(64) };
  expect(byHand(log)).toEqual({ place: 'ring', bearing: 90, distance: 0.7, layers });
});
