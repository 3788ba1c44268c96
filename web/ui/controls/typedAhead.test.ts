import { readLength } from '@undrel/core/units';
import { saidOf, textAgain } from './typedAhead';

test('a number is typed again with the unit that stood beside it, where another does by now', () => {
  expect(textAgain({ text: '10', unit: 'cm' }, 'in')).toBe('10 cm');
  expect(textAgain({ text: '10 ½ ', unit: 'in' }, 'cm')).toBe('10 ½ in');
  expect(textAgain({ text: '10', unit: 'cm' }, 'cm')).toBe('10');
  expect(textAgain({ text: '4 in', unit: 'cm' }, 'in')).toBe('4 in');
  expect(textAgain({ text: 'north', unit: undefined }, undefined)).toBe('north');
});

test.each(['7', '7.5', '1 ½', '3/4', '0.12'])(
  '%s means the same length in whichever units it is read',
  (text) => {
    const meant = readLength('mulchDepth', text, 'cm');
    const read = readLength('mulchDepth', textAgain({ text, unit: 'cm' }, 'in'), 'in');
    expect(read.state).not.toBe('wrong');
    expect('metres' in read && read.metres).toBeCloseTo('metres' in meant ? meant.metres : NaN, 12);
  },
);

test('what has no field any more is told by its words', () => {
  const typed = { text: '10', checked: undefined };
  expect(saidOf({ ...typed, name: '|30 cm out, N|0:0|' })).toBe('“10” at 30 cm out, N');
  expect(saidOf({ ...typed, checked: true, name: 'Leaf size|small||small' })).toBe('“small” at Leaf size');
  expect(saidOf({ ...typed, checked: false, name: '|read from the mulch||' })).toBe(
    'read from the mulch: not ticked',
  );
});
