import { QUESTIONS } from '../questions/all';
import { readLab, type LabLine } from './lab';

const line = (parameter: string, value: string, unit = ''): LabLine => ({ parameter, value, unit });

test('results become findings that the questions know, whatever unit they are in', () => {
  const { findings, notes } = readLab([
    line('pH (water)', '7,9'),
    line('EC', '2500', 'µS/cm'),
    line('Sand', '400', 'g/kg'),
    line('Silt', '400', 'g/kg'),
    line('Clay', '200', 'g/kg'),
    line('Organic matter', '<0.5', '%'),
    line('Phosphorus', '12', 'mg/kg'),
  ]);
  expect(notes).toEqual([]);
  expect(findings).toEqual([
    { key: 'soil.ph', answer: 'high' },
    { key: 'soil.salt', answer: 'raised' },
    { key: 'soil.sand', number: 0.4 },
    { key: 'soil.clay', number: 0.2 },
    { key: 'soil.organic', number: 0 },
    { key: 'soil.phosphorus', number: 12 },
  ]);
  for (const f of findings) {
    const question = QUESTIONS.find((q) => q.key === f.key)!;
    if (question.kind === 'grade') expect(question.answers.map((a) => a.key)).toContain(f.answer);
  }
});

test('salinity at its boundaries (USDA Handbook 60, 1954)', () => {
  const at = (value: string) => readLab([line('EC', value, 'dS/m')]).findings[0]!.answer;
  expect(['1.9', '2', '3.9', '4'].map(at)).toEqual(['none', 'raised', 'raised', 'high']);
});

test('reaction at its class limits (USDA Soil Survey Manual, from memory), organic matter in words', () => {
  const told = (parameter: string, value: string, unit = '') =>
    readLab([line(parameter, value, unit)]).told[0];
  expect(['6.5', '6.6', '7.3', '7.4', '7.8', '7.9', '8.4', '8.5'].map((v) => told('pH', v))).toEqual([
    'pH: 6.5, slightly acid',
    'pH: 6.6, neutral',
    'pH: 7.3, neutral',
    'pH: 7.4, slightly alkaline',
    'pH: 7.8, slightly alkaline',
    'pH: 7.9, moderately alkaline',
    'pH: 8.4, moderately alkaline',
    'pH: 8.5, strongly alkaline',
  ]);
  expect(told('Organic matter', '1.9', '%')).toBe('Organic matter: 1.9%, poor');
  expect(told('Organic matter', '50', 'g/kg')).toBe('Organic matter: 50 g/kg, rich');
});

test('what cannot be is left out and named, and the rest is kept', () => {
  const { findings, notes } = readLab([
    line('pH', '78'),
    line('EC', '1', 'furlong'),
    line('Clay', 'n/a', '%'),
    line('pH', '6.5'),
    line('pH', '6.6'),
  ]);
  expect(findings).toEqual([{ key: 'soil.ph', answer: 'fits' }]);
  expect(notes.map((n) => /^Row (\d)/.exec(n)![1])).toEqual(['2', '3', '4', '6']);
  const wrong = readLab([line('Sand', '60', '%'), line('Silt', '60', '%'), line('Clay', '20', '%')]);
  expect(wrong.findings).toEqual([]);
  expect(wrong.notes[0]).toContain('140');
});
