import fc from 'fast-check';
import { enteredIn } from './enteredIn';

const rate = { unit: 'mm/h', min: 0, max: 5000 };

test('water that goes in is typed in inches an hour where inches are in use', () => {
  // An inch is 25.4 mm (international yard and pound agreement, 1959).
  expect(enteredIn(rate, 'us')).toMatchObject({ unit: 'in/h', min: 0, max: 196.85 });
  expect(enteredIn(rate, 'us').kept(2)).toBe(50.8);
  expect(enteredIn({ unit: 'cm/h', min: 0, max: 500 }, 'us').kept(0.5)).toBe(1.27);
  expect(enteredIn(rate, 'us').entered(25.4)).toBe(1);
});

test('metric fields, and what a laboratory gives, are kept as typed', () => {
  expect(enteredIn(rate, 'metric')).toMatchObject(rate);
  const mass = { unit: 'g', min: 5, max: 13000 };
  for (const system of ['metric', 'us'] as const) expect(enteredIn(mass, system).entered(113.4)).toBe(113.4);
  expect(enteredIn(mass, 'us')).toMatchObject(mass);
});

test('what is typed comes back as typed, and whatever the field takes is within what is kept', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(rate, { unit: 'cm/h', min: 0.3, max: 500 }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (asked, at) => {
        const field = enteredIn(asked, 'us');
        const typed = Number((field.min + at * (field.max - field.min)).toFixed(1));
        fc.pre(typed >= field.min && typed <= field.max);
        const kept = field.kept(typed);
        expect(field.entered(kept)).toBe(typed);
        expect(kept).toBeGreaterThanOrEqual(asked.min);
        expect(kept).toBeLessThanOrEqual(asked.max);
      },
    ),
  );
});
