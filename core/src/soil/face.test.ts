import { layersTo } from './face';

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
