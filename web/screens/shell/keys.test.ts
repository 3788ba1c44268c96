import { parseLength } from '@undrel/core/units';
import { stepped, withKey } from './keys';

test('keys beside the number pad make lengths that are read as meant', () => {
  const metres = (text: string, unit: 'cm' | 'in') => {
    const read = parseLength(text, unit);
    return read.ok ? Math.round(read.metres * 10_000) / 10_000 : text;
  };
  const pressed = (...keys: string[]) =>
    keys.reduce((typed, key) => (/^\d$/.test(key) ? `${typed}${key}` : withKey(typed, key)), '');
  expect([pressed('3', '½', 'in'), metres(pressed('3', '½', 'in'), 'cm')]).toEqual(['3 1/2 in', 0.0889]);
  expect([pressed('7', '¾'), metres(pressed('7', '¾'), 'in')]).toEqual(['7 3/4', 0.1969]);
  // The last fraction and the last unit stand; pressed twice, minus is taken back.
  expect(pressed('3', '½', '¼')).toBe('3 1/4');
  expect(pressed('3', 'in', '½')).toBe('3 1/2 in');
  expect(pressed('3', '0', 'cm', 'mm')).toBe('30 mm');
  expect([pressed('4', '−'), pressed('4', '−', '−'), metres(pressed('4', '−'), 'cm')]).toEqual([
    '-4',
    '4',
    -0.04,
  ]);
  expect(pressed('½')).toBe('1/2');
});

test('a count steps up and down and not below nought', () => {
  expect([stepped('', 1), stepped('3', 1), stepped('3', -1), stepped('0', -1), stepped('x', 1)]).toEqual([
    '1',
    '4',
    '2',
    '0',
    '1',
  ]);
});
