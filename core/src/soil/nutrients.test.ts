import type { Finding } from '../records';
import { NUTRIENTS } from '../practice/nutrients';
import { readLab } from './lab';
import { chlorosisAdvice, nutrientLevel } from './nutrients';

const of = (key: string) => NUTRIENTS.find((n) => n.key === key)!;
const pale: Finding = { key: 'crown.colour', answer: 'veins' };

test('levels at their limits (Oregon State EC 1478; Lindsay & Norvell 1978; both from memory)', () => {
  const olsen = [9.9, 10, 39.9, 40].map((v) => nutrientLevel(of('soil.phosphorus'), v));
  expect(olsen).toEqual(['low', 'enough', 'enough', 'ample']);
  expect([4.4, 4.5, 400].map((v) => nutrientLevel(of('soil.iron'), v))).toEqual(['low', 'enough', 'enough']);
});

test('units are turned into mg/kg, and one that is none is refused by name', () => {
  const line = (unit: string) => readLab([{ parameter: 'Potassium (K)', value: '0.02', unit }]);
  expect(line('%').findings).toEqual([{ key: 'soil.potassium', number: 200 }]);
  expect(line('%').told).toEqual(['Potassium (K): 0.02%, enough']);
  expect(line('lb/acre').findings).toEqual([]);
  expect(line('lb/acre').notes[0]).toMatch(/Row 2.*Potassium.*lb\/acre.*mg\/kg/);
});

test('advice on pale leaves waits for the pH, and then follows it', () => {
  expect(chlorosisAdvice({ findings: [] })).toEqual([]);
  expect(chlorosisAdvice({ findings: [{ key: 'crown.colour', answer: 'good' }] })).toEqual([]);
  expect(chlorosisAdvice({ findings: [pale] })[0]).toContain('waits for the soil test');
  expect(chlorosisAdvice({ findings: [pale, { key: 'soil.ph', answer: 'high' }] })[0]).toContain('held back');
  const fits: Finding = { key: 'soil.ph', answer: 'fits' };
  expect(chlorosisAdvice({ findings: [pale, fits, { key: 'soil.iron', number: 2 }] })[0]).toContain(
    'leaf sample',
  );
  expect(chlorosisAdvice({ findings: [pale, fits, { key: 'soil.iron', number: 20 }] })[0]).toContain(
    'before feeding',
  );
});
