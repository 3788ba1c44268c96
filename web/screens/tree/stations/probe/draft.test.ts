import fc from 'fast-check';
import { bearingName } from '@undrel/core/questions';
import { METRES_PER } from '@undrel/core/units';
import { readDraft, type Draft } from './draft';

const DRAFT: Draft = { bearing: 'NE', distance: '10', depth: '18.5', found: 'root', from: 'grade' };

test('a push is read in the units it is typed in, with what was found and from where', () => {
  expect(readDraft(DRAFT, 'cm')).toEqual({
    problems: [],
    push: { bearing: 45, distance: 0.1, depth: 0.185, found: 'root', from: 'grade' },
  });
  const { push } = readDraft({ ...DRAFT, depth: '7 1/2', from: 'mulch', found: 'obstacle' }, 'in');
  expect(push).toMatchObject({ bearing: 45, found: 'obstacle', from: 'mulch' });
  expect(push!.depth).toBeCloseTo(7.5 * METRES_PER.in, 9);
});

test.each<[keyof Draft, string]>([
  ['bearing', 'Q'],
  ['bearing', ''],
  ['bearing', '400'],
  ['distance', ''],
  ['distance', '-5'],
  ['distance', '9000'],
  ['depth', ''],
  ['depth', 'deep'],
  ['depth', '900'],
])('%s of “%s” is named with what is allowed, and nothing is kept', (field, typed) => {
  const { problems, push } = readDraft({ ...DRAFT, [field]: typed }, 'cm');
  expect(push).toBeUndefined();
  expect(problems.map((p) => p.field)).toEqual([field]);
  if (typed) expect(problems[0]!.message).toContain(typed.replace('-', ''));
});

test('everything that is wrong is named at once, in the order of the fields', () => {
  const { problems } = readDraft({ ...DRAFT, bearing: '?', distance: '?', depth: '?' }, 'in');
  expect(problems.map((p) => p.field)).toEqual(['bearing', 'distance', 'depth']);
});

test('whatever is typed, there is a push or a problem, and a bearing by its name is the same bearing', () => {
  fc.assert(
    fc.property(
      fc.string(),
      fc.string(),
      fc.string(),
      fc.integer({ min: 0, max: 359 }),
      (a, b, c, bearing) => {
        const { problems, push } = readDraft({ ...DRAFT, bearing: a, distance: b, depth: c }, 'cm');
        expect(push === undefined).toBe(problems.length > 0);
        const named = bearingName(bearing).replace('°', '');
        expect(readDraft({ ...DRAFT, bearing: named }, 'cm').push?.bearing).toBe(bearing);
      },
    ),
  );
});
