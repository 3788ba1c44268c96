import { CAUSE_KEYS } from '../vocabulary/causes';
import { signsOf } from '../../tests/signs';
import { visitOn, collarAt } from '../../tests/visits';
import { assess } from '../assessment';
import { PRACTICE_TABLE } from './practiceTable';
import { verdictMap } from './verdictMap';

const TREE = { label: 'Linden 1', species: 'Tilia cordata', plantedYear: 2012, stock: 'container' as const };

test.each(CAUSE_KEYS)(
  '%s: the map holds all that is likely, links of the table alone, and leads downward',
  (cause) => {
    const visit = visitOn('2026-06-01', signsOf(cause), { probes: collarAt(0.05) });
    const { verdict } = assess(TREE, [], visit, {}, undefined, [visit]);
    const { nodes, links } = verdictMap(verdict);
    const on = new Map(nodes.map((n) => [n.key, n]));
    for (const c of verdict.causes.filter((c) => c.standing === 'likely'))
      expect(on.get(c.cause)!.level).toBe(0);
    for (const n of nodes) expect(n.probability).toBeGreaterThanOrEqual(0.25);
    for (const { from, to } of links) {
      expect(
        PRACTICE_TABLE.mechanisms.find((m) => m.mechanism === to)!.links.some((l) => l.of === from),
      ).toBe(true);
      expect(on.get(to)!.level).toBeGreaterThan(on.get(from)!.level);
    }
    // Every step of the chain is on it.
    for (const step of verdict.chain) expect(on.has(step.mechanism)).toBe(true);
    // What is said to be seen was seen, and is no answer that there is nothing to see.
    const seen = new Set(verdict.evidence.map((e) => e.says));
    for (const n of nodes)
      for (const says of n.seen) {
        expect(seen.has(says)).toBe(true);
        const e = verdict.evidence.find((e) => e.says === says)!;
        expect(e.answer).not.toBe(PRACTICE_TABLE.findings.find((f) => f.key === e.key)!.answers[0]![0]);
      }
  },
);
