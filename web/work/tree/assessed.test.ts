import { readFileSync } from 'node:fs';
import { getHeapStatistics, setFlagsFromString } from 'node:v8';
import { runInNewContext } from 'node:vm';
import { assess, type Assessment } from '@undrel/core/assessment';
import { explain, reweigh, tableFor } from '@undrel/core/diagnosis';
import { readCase } from '@undrel/core/format';
import type { Tree, Visit } from '@undrel/core/records';
import { WEIGHTS } from './assessed';

setFlagsFromString('--expose-gc');
const collect = runInNewContext('gc') as () => void;

/** Memory that each of many results takes once it is made, bytes: the least of three rounds, for programs are compiled meanwhile. */
function heldBy(make: (i: number) => object): number {
  const many = 10;
  make(0);
  const round = () => {
    collect();
    const before = getHeapStatistics().used_heap_size;
    const results = Array.from({ length: many }, (_, i) => make(i));
    collect();
    const held = getHeapStatistics().used_heap_size - before;
    expect(results).toHaveLength(many);
    return held / many;
  };
  return Math.min(round(), round(), round());
}

const example = readCase(readFileSync('docs/example-case.json', 'utf8'), '2026-11-24');
if (!example.ok) throw new Error('the example does not read');
const bare: Visit = {
  date: '2026-05-01',
  findings: [],
  profiles: [],
  probes: [],
  decisions: [],
  work: [],
} as never;
const cases: [name: string, tree: Tree, visits: readonly Visit[]][] = [
  ['little is known', { label: 'A', species: 'Tilia cordata' }, [bare]],
  ['much is known', example.caseFile.tree, example.caseFile.visits],
];

test.each(cases)('no result takes more memory than it is counted with, where %s', (_, tree, visits) => {
  // Each from a copy of its own, as threads are given their work.
  const given = (i: number) => {
    const own = structuredClone({ tree: { ...tree, label: `${tree.label} ${i}` }, visits });
    const visit = own.visits.at(-1)!;
    return [own.tree, [], visit, {}, undefined, own.visits] as const;
  };
  const verdictAt = (i: number): Assessment['verdict'] => assess(...given(i)).verdict;
  const allowed = ({ least, letter }: { least: number; letter: number }) =>
    least + letter * JSON.stringify(given(0)).length;
  const results = {
    assessment: heldBy((i) => assess(...given(i))),
    verdict: heldBy((i) => reweigh(verdictAt(i), tableFor(undefined))),
    explanation: heldBy((i) => explain(verdictAt(i), tableFor(undefined))),
  };
  for (const kind of ['assessment', 'verdict', 'explanation'] as const)
    expect({ kind, held: results[kind], fits: results[kind] <= allowed(WEIGHTS[kind]) }).toMatchObject({
      fits: true,
    });
});
