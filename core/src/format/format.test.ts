import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { QUESTIONS } from '../questions/all';
import { idOf, ownIdOf, partsOf, rulesOf, visitOf, type Kind, type Values } from '../records';
import { OPERATION_KEYS } from '../vocabulary/operations';
import { anyCase } from '../../tests/anyCase';
import { caseJsonSchema, caseOf, readCase, type CaseFile } from './index';

const TODAY = '2026-11-24';
const good: CaseFile = {
  format: 'undrel-case',
  version: 4,
  tree: { label: 'Katsura 14', species: 'Cercidiphyllum japonicum', plantedYear: 2016, stemDiameter: 0.31 },
  events: [{ kind: 'soil added', when: '2018' }],
  visits: [
    {
      date: '2026-05-02',
      findings: [
        { key: 'base.wounds', answer: 'open', bearing: 90, height: 0.15 },
        { key: 'crown.extension', part: 2024, number: 0.09 },
      ],
      profiles: [{ bearing: 0, mulch: [{ distance: 0, depth: 0.24 }], mulchEnds: 0.98, fill: [] }],
      probes: [{ bearing: 0, distance: 0.1, depth: 0.178, found: 'root', from: 'grade' }],
      decisions: [{ operation: 'mulch', taken: true }],
    },
  ],
};

const problems = (change: (c: Record<string, any>) => void) => {
  const copy = structuredClone(good) as Record<string, any>;
  change(copy);
  const read = readCase(JSON.stringify(copy), TODAY);
  if (read.ok) throw new Error('was accepted');
  return read.problems;
};

test('a good case comes back as it went in', () => {
  expect(readCase(JSON.stringify(good), TODAY)).toEqual({ ok: true, caseFile: good, warnings: [] });
  expect(caseOf(good.tree, good.events, good.visits)).toEqual(good);
});

test('bad input names the path, the value and what is allowed', () => {
  expect(problems((c) => (c.visits[0].profiles[0].mulch[0].depth = 30))).toEqual([
    { path: '$.visits[0].profiles[0].mulch[0].depth', value: 30, message: expect.stringContaining('1.5') },
  ]);
  expect(problems((c) => (c.visits[0].probes[0].bearing = 400))[0]).toMatchObject({
    path: '$.visits[0].probes[0].bearing',
    value: 400,
  });
  expect(
    problems((c) => (c.visits[0].findings[0] = { key: 'base.push', answer: 'maybe' }))[0]!.message,
  ).toContain('rocks');
  expect(problems((c) => (c.visits[0].findings[1].height = 0.3))[0]).toMatchObject({
    path: '$.visits[0].findings[1].height',
    message: 'this question has no place on the stem',
  });
  expect(problems((c) => (c.visits[0].date = '2026-02-30'))[0]!.message).toContain('no such day');
  expect(problems((c) => (c.extra = 1))[0]!.message).toContain('extra');
});

test('a newer version is refused, each older one is migrated', () => {
  expect(problems((c) => (c.version = 5))[0]).toMatchObject({
    path: '$.version',
    value: 5,
    message: expect.stringContaining('newer'),
  });
  const { visits, ...rest } = structuredClone(good) as any;
  delete visits[0].probes[0].from;
  const old = readCase(JSON.stringify({ ...rest, version: 1, visit: visits[0] }), TODAY);
  expect(old).toMatchObject({ ok: true, caseFile: good });
  for (const version of [2, 3])
    expect(readCase(JSON.stringify({ ...good, version }), TODAY)).toMatchObject({ ok: true, caseFile: good });
  expect(problems((c) => (c.version = 0))[0]!.path).toBe('$.version');
});

/** A case with amounts of work done, as a version holds them. */
const withAmounts = (version: number, amounts: unknown): string =>
  JSON.stringify({
    ...good,
    version,
    visits: [{ ...good.visits[0], work: [{ step: 'mulch', how: 'changed', on: '2026-06-01', amounts }] }],
  });

test('amounts of version 3 are told by key; a quantity that is not known is refused where it stands', () => {
  const read = readCase(
    withAmounts(3, [
      { name: 'Crew hours', amount: 1.5 },
      { name: 'Trenches, run', amount: 12 },
    ]),
    TODAY,
  );
  expect(read.ok && read.caseFile.visits[0]!.work![0]!.amounts).toEqual([
    { quantity: 'crewHours', amount: 1.5 },
    { quantity: 'trenchesRun', amount: 12 },
  ]);
  const at = '$.visits[0].work[0].amounts';
  for (const [version, amounts, path, value] of [
    [3, [{ name: 'Buckets', amount: 2 }], `${at}[0].quantity`, 'Buckets'],
    [3, [{ name: 'constructor', amount: 2 }], `${at}[0].quantity`, 'constructor'],
    [3, [{ name: 'Crew hours', amount: 1 }, 7], `${at}[1]`, 7],
    [3, 'many', at, 'many'],
    [4, [{ quantity: 'buckets', amount: 2 }], `${at}[0].quantity`, 'buckets'],
  ] as const) {
    const refused = readCase(withAmounts(version, amounts), TODAY);
    expect(refused).toMatchObject({ ok: false, problems: [{ path, value }] });
  }
});

test('every operation may be decided upon, in one visit', () => {
  const decisions = OPERATION_KEYS.map((operation) => ({ operation, taken: false }));
  const read = readCase(JSON.stringify({ ...good, visits: [{ ...good.visits[0]!, decisions }] }), TODAY);
  expect(read).toMatchObject({ ok: true, caseFile: { visits: [{ decisions }] } });
});

test('what appears twice in a visit, and a kind that is not known, are refused where they stand', () => {
  expect(problems((c) => c.visits[0].findings.push({ ...c.visits[0].findings[0] }))[0]).toMatchObject({
    path: `$.visits[0].findings[${good.visits[0]!.findings.length}]`,
    message: expect.stringContaining('appears twice, first at [0]'),
  });
  expect(problems((c) => (c.visits[0].potions = []))[0]).toMatchObject({
    path: '$.visits[0]',
    message: expect.stringContaining('potions'),
  });
});

test('a visit taken apart and put together is the same, and its order does not hang on the store', () => {
  fc.assert(
    fc.property(anyCase, fc.nat(1000), (any, turn) => {
      for (const visit of any.visits) {
        const { head, records } = partsOf(visit);
        const below = <K extends Kind>(kind: K) =>
          records.flatMap((r) => (r.kind === kind ? [r.values as Values[K]] : []));
        expect(caseOf(any.tree, [], [visitOf(head, below)])).toEqual(caseOf(any.tree, [], [visit]));
        const turned = <K extends Kind>(kind: K) => {
          const list = below(kind);
          if (!rulesOf(kind).order || tied(kind, list)) return list;
          const by = list.length === 0 ? 0 : turn % list.length;
          return [...list.slice(by), ...list.slice(0, by)];
        };
        expect(JSON.stringify(caseOf(any.tree, [], [visitOf(head, turned)]))).toBe(
          JSON.stringify(caseOf(any.tree, [], [visit])),
        );
      }
    }),
    { numRuns: 60 },
  );
});

/** Records that stand in the same place keep the order they came in. */
const tied = <K extends Kind>(kind: K, list: readonly Values[K][]): boolean => {
  const keys = list.map((values) => JSON.stringify(rulesOf(kind).order!(values)));
  return new Set(keys).size < keys.length;
};

test('the ids of records tell what they are about', () => {
  expect(idOf('finding', 'v', { key: 'base.entry', part: 3 })).toBe('v.base.entry.3');
  expect(idOf('dig', 'v')).toBe('v.dig');
  expect(ownIdOf('work', 'v', { step: 'prune-2', how: 'done', on: '2026-06-01' })).toBe('v.work.prune-2');
  expect(
    ownIdOf('probe', 'v', { bearing: 0, distance: 0, depth: 0, found: 'root', from: 'grade' }),
  ).toBeUndefined();
});

test('events that contradict the tree or the clock are kept, with a warning', () => {
  const copy = structuredClone(good);
  copy.events.push({ kind: 'paving', when: '2010' }, { kind: 'flood', when: '2027-01' });
  const read = readCase(JSON.stringify(copy), TODAY);
  expect(read.ok && read.caseFile.events).toHaveLength(3);
  expect(read.ok && read.warnings.map((w) => w.path)).toEqual(['$.events[1].when', '$.events[2].when']);
});

test('a file cut off anywhere is refused, never half read', () => {
  const whole = JSON.stringify(good);
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: whole.length - 1 }),
      (length) => !readCase(whole.slice(0, length), TODAY).ok,
    ),
  );
  expect(readCase(whole.slice(0, 200), TODAY)).toMatchObject({
    problems: [{ message: expect.stringContaining('cut off') }],
  });
});

test('the schema in docs is the one in the code', () => {
  const shipped: unknown = JSON.parse(readFileSync('docs/case-format.schema.json', 'utf8'));
  expect(shipped).toEqual(JSON.parse(JSON.stringify(caseJsonSchema())));
});

test('the description of the format names every finding and its answers', () => {
  const described = readFileSync('docs/case-format.md', 'utf8');
  for (const q of QUESTIONS) {
    const row = described.split('\n').find((line) => line.startsWith(`| \`${q.key}\` `));
    expect([q.key, row !== undefined]).toEqual([q.key, true]);
    if (q.kind === 'grade' || q.kind === 'sectors') for (const a of q.answers) expect(row).toContain(a.key);
  }
});
