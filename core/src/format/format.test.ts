import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { QUESTIONS } from '../questions/all';
import { caseJsonSchema, caseOf, readCase, type CaseFile } from './index';

const TODAY = '2026-11-24';
const good: CaseFile = {
  format: 'undrel-case',
  version: 3,
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

test('a newer version is refused, older ones are migrated', () => {
  expect(problems((c) => (c.version = 4))[0]).toMatchObject({
    path: '$.version',
    value: 4,
    message: expect.stringContaining('newer'),
  });
  const { visits, ...rest } = structuredClone(good) as any;
  delete visits[0].probes[0].from;
  const old = readCase(JSON.stringify({ ...rest, version: 1, visit: visits[0] }), TODAY);
  expect(old).toMatchObject({ ok: true, caseFile: good });
  expect(readCase(JSON.stringify({ ...good, version: 2 }), TODAY)).toMatchObject({
    ok: true,
    caseFile: good,
  });
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
