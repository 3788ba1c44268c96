import { chanceFigure, chanceWords, withUnit, percent } from './share';

test('a share is what it is; a chance is never none and never certain', () => {
  expect([0, 0.004, 0.125, 0.999, 1].map(percent)).toEqual(['0%', '0%', '13%', '100%', '100%']);
  expect([0, 0.004, 0.0051, 0.5, 0.994, 0.995, 1].map(chanceWords)).toEqual([
    'under 1%',
    'under 1%',
    '1%',
    '50%',
    '99%',
    'over 99%',
    'over 99%',
  ]);
  for (let p = 0; p <= 1; p += 0.001) expect(chanceWords(p)).not.toMatch(/^(0|100)%/);
  expect([chanceFigure(1), chanceFigure(0)]).toEqual(['>99%', '<1%']);
});

test('a figure and its unit: a space, but none before a percent sign', () => {
  expect([withUnit(12, 'cm'), withUnit('1.9', '%'), withUnit(3, '')]).toEqual(['12 cm', '1.9%', '3']);
});
