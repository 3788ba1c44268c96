import { thinSpaces } from './thinSpaces';

test('a figure and its unit are held together by a narrow space; words stay apart', () => {
  const shown = (text: string) => thinSpaces(text, 'paper').replaceAll('\u202f', '_');
  expect(shown('18.2 ± 1.3 cm deep, 0.36 yd³ of soil, 12 L/h')).toBe(
    '18.2 ± 1.3_cm deep, 0.36_yd³ of soil, 12_L/h',
  );
  expect(shown('4 in, 4 in deep of 3 in 5 trees, 2 ft 4 in')).toBe(
    '4_in, 4 in deep of 3 in 5 trees, 2_ft 4_in',
  );
  expect(shown('12 months, 3 m-wide, 5 trees, 12 Lime Walk')).toBe(
    '12 months, 3 m-wide, 5 trees, 12 Lime Walk',
  );
});
