import fc from 'fast-check';
import { infiltrationClass, percolationWords, steadyRate } from './rates';

const IN_AN_HOUR = 0.0254 / 3600;

test('infiltration falls into the classes of USDA NRCS at every boundary', () => {
  const at = (inches: number) => infiltrationClass(inches * IN_AN_HOUR * (1 + 1e-12));
  expect([20, 6, 2, 0.6, 0.2, 0.06, 0.0015, 0].map(at)).toEqual([
    'very rapid',
    'rapid',
    'moderately rapid',
    'moderate',
    'moderately slow',
    'slow',
    'very slow',
    'impermeable',
  ]);
  expect([19.9, 5.9, 1.9, 0.59, 0.19, 0.059, 0.0014].map(at)).toEqual([
    'rapid',
    'moderately rapid',
    'moderate',
    'moderately slow',
    'slow',
    'very slow',
    'impermeable',
  ]);
});

test('percolation under 2.5 cm an hour is poor, over 15 excessive (common practice, no source)', () => {
  expect([2, 5, 16].map((cm) => percolationWords(cm / 100 / 3600))).toEqual(['poor', 'fair', 'excessive']);
});

test('a steady fall gives its rate, however it is read; a filling begins again', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 1e-7, max: 1e-4, noNaN: true }),
      fc.uniqueArray(fc.integer({ min: 1, max: 7200 }), { minLength: 2, maxLength: 8 }),
      (rate, times) => {
        const readings = times.sort((a, b) => a - b).map((after) => ({ after, fallen: rate * after }));
        expect(steadyRate(readings, 'infiltration')!.value / rate).toBeCloseTo(1, 6);
      },
    ),
  );
  const filled = [
    { after: 0, fallen: 0 },
    { after: 600, fallen: 0.06 },
    { after: 700, fallen: 0 },
    { after: 1300, fallen: 0.012 },
    { after: 1900, fallen: 0.024 },
  ];
  expect(steadyRate(filled, 'percolation')!.value).toBeCloseTo(2e-5, 9);
  expect(steadyRate(filled.slice(0, 1), 'percolation')).toBeUndefined();
});
