import fc from 'fast-check';
import { eachText } from './eachText';

const loud = (text: string): string => text.toUpperCase();

test('every text is changed and nothing else, as JSON would have it', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (given) => {
      // JSON knows no negative zero.
      const value: unknown = JSON.parse(JSON.stringify(given));
      const before = structuredClone(value);
      const byJson: unknown = JSON.parse(
        JSON.stringify(value, (_, part: unknown) => (typeof part === 'string' ? loud(part) : part)),
      );
      expect(eachText(value, loud)).toEqual(byJson);
      expect(value).toEqual(before);
    }),
  );
});

test('what is not there is left out; what holds no text to change is the very same', () => {
  const drawing = { points: [[1, 2]], tone: 'INK' };
  const changed = eachText({ a: undefined, drawing, said: ['x'] }, loud);
  expect(Object.keys(changed)).toEqual(['drawing', 'said']);
  expect(changed.drawing).toBe(drawing);
  expect(changed.said).toEqual(['X']);
});
