import { QUESTIONS } from '../questions/all';
import { LIMITS, MATTERS, OBSTACLE_KINDS, obstacleKind, schoolFor } from './index';

// Common practice, no source: what is not known is kept clear of as the worst it may be.
test('a thing typed freely is the strictest that its words may mean', () => {
  const clear = (kind: string) => obstacleKind(kind).clearance;
  for (const known of OBSTACLE_KINDS) expect(obstacleKind(known.key)).toBe(known);
  expect(clear('Gas line under paving')).toBe(1);
  expect(clear('paving over electric cable')).toBe(0.6);
  expect(obstacleKind('foul sewer')).toMatchObject({ key: 'drain', utility: true });
  expect(obstacleKind('path beside the water main')).toMatchObject({ key: 'water', utility: true });
  expect(obstacleKind('old brick path').key).toBe('path');
  const worst = Math.max(...OBSTACLE_KINDS.map((k) => k.clearance));
  for (const unknown of ['', 'outline', 'XJ-7', 'Leitung'])
    expect(obstacleKind(unknown)).toMatchObject({ clearance: worst, utility: true });
  const kinds = OBSTACLE_KINDS.map((k) => k.key);
  for (const a of kinds)
    for (const b of kinds)
      expect(clear(`${a} and ${b}`)).toBeGreaterThanOrEqual(Math.min(clear(a), clear(b)));
});

test('the tree’s school comes before the property’s, that before the firm’s, and the firm’s before the default', () => {
  expect(schoolFor('mulchDepth')).toMatchObject({ key: 'medium', chosenBy: 'default' });
  expect(schoolFor('mulchDepth', { firm: { mulchDepth: 'thin' } })).toMatchObject({
    key: 'thin',
    chosenBy: 'firm',
  });
  const house = { firm: { mulchDepth: 'thin' }, property: { mulchDepth: 'shallow' } };
  expect(schoolFor('mulchDepth', house)).toMatchObject({ key: 'shallow', chosenBy: 'property' });
  expect(schoolFor('mulchDepth', house, { mulchDepth: 'thin' })).toMatchObject({
    key: 'thin',
    chosenBy: 'tree',
  });
  expect(schoolFor('mulchDepth', { ...house, property: { mulchDepth: 'no such' } }).chosenBy).toBe('firm');
  expect(schoolFor('mulchDepth', { firm: { mulchDepth: 'thin' } }, { mulchDepth: 'shallow' })).toMatchObject({
    key: 'shallow',
    chosenBy: 'tree',
  });
  expect(schoolFor('mulchDepth', { firm: { mulchDepth: 'no such' } })).toMatchObject({
    key: 'medium',
    chosenBy: 'default',
  });
  expect(() => schoolFor('no such matter')).toThrow('no such matter');
});

test('keys are unique, every default has its reason and every limit its source', () => {
  const unique = (keys: string[]) => expect(new Set(keys).size).toBe(keys.length);
  unique(MATTERS.map((m) => m.key));
  for (const matter of MATTERS) {
    unique(matter.schools.map((s) => s.key));
    expect([matter.key, matter.reason.length > 10, matter.schools.length > 1]).toEqual([
      matter.key,
      true,
      true,
    ]);
  }
  for (const [key, limit] of Object.entries(LIMITS)) {
    expect([key, limit.reason.length > 10, limit.source.length > 5]).toEqual([key, true, true]);
  }
  unique(QUESTIONS.map((q) => q.key));
});

test('schools of one matter carry the same numbers, so that any of them can be computed with', () => {
  for (const matter of MATTERS.filter((m) =>
    ['mulchDepth', 'flareHeight', 'holeWidth', 'wateringYears'].includes(m.key),
  )) {
    const names = matter.schools.map((s) => Object.keys(s.values ?? {}).join());
    expect([matter.key, new Set(names).size]).toEqual([matter.key, 1]);
  }
});
