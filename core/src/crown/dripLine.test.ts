import { crownReach, dripLine } from './dripLine';

test('a crown that was not measured has no reach; one radius is its reach', () => {
  expect([dripLine({}), crownReach({})]).toEqual([undefined, undefined]);
  expect(crownReach({ crownRadius: 3 })).toBeCloseTo(3, 12);
});

test('a crown measured by bearing: its reach covers as much ground, and stands before the one radius', () => {
  const even = [0, 90, 180, 270].map((bearing) => ({ bearing, radius: 2.5 }));
  expect(crownReach({ crownRadius: 9, crownSpread: even })).toBeCloseTo(2.5, 9);
  // Wide to the east alone: more than the smallest, less than the largest, and the area of the line itself.
  const lopsided = [
    { bearing: 0, radius: 2 },
    { bearing: 90, radius: 4 },
    { bearing: 180, radius: 2 },
    { bearing: 270, radius: 1 },
  ];
  const line = dripLine({ crownSpread: lopsided })!;
  const fine = 36_000;
  let area = 0;
  for (let i = 0; i < fine; i++) area += (line((360 * i) / fine) ** 2 / 2) * ((2 * Math.PI) / fine);
  expect(Math.PI * crownReach({ crownSpread: lopsided })! ** 2).toBeCloseTo(area, 1);
});
