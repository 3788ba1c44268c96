import fc from 'fast-check';
import { lengthOfRound, shortestRound, shortestWay, type Way } from './shortestRound';

const point = fc.tuple(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 200 }));
const between =
  (points: readonly (readonly [number, number])[]): Way =>
  (a, b) =>
    Math.hypot(points[a]![0] - points[b]![0], points[a]![1] - points[b]![1]);

/** Every order of some numbers. */
const orders = (of: readonly number[]): number[][] =>
  of.length === 0
    ? [[]]
    : of.flatMap((first) => orders(of.filter((x) => x !== first)).map((r) => [first, ...r]));

const lengthOfWay = (order: readonly number[], way: Way) =>
  order.slice(1).reduce((sum, place, i) => sum + way(order[i]!, place), 0);
const numbers = (count: number) => Array.from({ length: count }, (_, i) => i);

describe('a short round', () => {
  it('is the shortest of all orders, there and back or ending anywhere', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 7 }), (points) => {
        const way = between(points);
        const round = shortestRound(points.length, way);
        const least = Math.min(
          ...orders(numbers(points.length).slice(1)).map((rest) => lengthOfRound([0, ...rest], way)),
        );
        expect(round[0]).toBe(0);
        expect(lengthOfRound(round, way)).toBeCloseTo(least, 6);
        const open = Math.min(...orders(numbers(points.length)).map((order) => lengthOfWay(order, way)));
        expect(lengthOfWay(shortestWay(points.length, way), way)).toBeCloseTo(open, 6);
      }),
      { numRuns: 60 },
    );
  });

  it('holds each place once, begins at the first, and is made shorter by turning no piece, however many there are', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 12, maxLength: 40 }), (points) => {
        const way = between(points);
        const round = shortestRound(points.length, way);
        expect(round[0]).toBe(0);
        expect([...round].sort((a, b) => a - b)).toEqual(numbers(points.length));
        const length = lengthOfRound(round, way);
        for (let i = 1; i < round.length; i++)
          for (let j = i + 1; j <= round.length; j++) {
            const other = [...round.slice(0, i), ...round.slice(i, j).reverse(), ...round.slice(j)];
            expect(lengthOfRound(other, way)).toBeGreaterThanOrEqual(length - 1e-6);
          }
      }),
      { numRuns: 40 },
    );
  });

  it('goes along a row of trees from one end to the other', () => {
    const row = [3, 0, 4, 1, 2, 9, 8, 7, 6, 5, 12, 11, 10, 13].map((x): [number, number] => [8 * x, 0]);
    const way = between(row);
    expect(lengthOfWay(shortestWay(row.length, way), way)).toBe(8 * 13);
  });
});
