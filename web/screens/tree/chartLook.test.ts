import { axisTicks } from './chartLook';

beforeAll(() => {
  Object.assign(globalThis, { document: { body: {} }, getComputedStyle: () => ({ fontFamily: 'serif' }) });
});
afterAll(() => {
  for (const name of ['document', 'getComputedStyle']) Reflect.deleteProperty(globalThis, name);
});

/** An axis as it is written. */
const written = (...figures: number[]) => {
  const all = figures.map((value) => ({ value }));
  return figures.map((value, i) => axisTicks('black').callback(value, i, all));
};

test('figures of an axis have as many decimals as the step between them', () => {
  expect(written(0, 25, 50)).toEqual(['0', '25', '50']);
  expect(written(0, 0.5, 1, 1.5)).toEqual(['0.0', '0.5', '1.0', '1.5']);
  expect(written(0, 0.1, 0.2, 0.1 + 0.2)).toEqual(['0.0', '0.1', '0.2', '0.3']);
  expect(written(0, 2, 4, 19.685039)).toEqual(['0', '2', '4', '20']);
  expect(written(7)).toEqual(['7']);
});
