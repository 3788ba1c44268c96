import type { NodeKey } from '../vocabulary/causes';
import type { JudgementTable, Often } from './judgement';
import { PRACTICE_TABLE } from './practiceTable';
import { HOW_OFTEN } from './words';
import type { Verdict } from './verdict';

/** A cause or what it leads to, with what was seen of it. */
export interface MapNode {
  key: NodeKey;
  label: string;
  probability: number;
  /** 0 for causes; each thing lies below all that leads to it. */
  level: number;
  /** What was seen that it brings about, the most telling first; lengths are marks. */
  seen: string[];
}

export interface VerdictMap {
  nodes: MapNode[];
  /** What leads to what. */
  links: { from: NodeKey; to: NodeKey }[];
}

const chanceFrom = (often: Often): number => (typeof often === 'number' ? often : HOW_OFTEN[often]);

/** From this chance on a cause or a mechanism is on the map. */
const ON_MAP = 0.25;

/**
 * What led to what, as far as it is likely or possible: causes, what goes on in the tree because of them, and the findings
 * of each.
 *
 * @param table the judgement table the verdict was made with
 */
export function verdictMap(verdict: Verdict, table: JudgementTable = PRACTICE_TABLE): VerdictMap {
  const likely = [
    ...verdict.causes.map((c) => ({ key: c.cause as NodeKey, label: c.label, probability: c.probability })),
    ...verdict.mechanisms.map((m) => ({
      key: m.mechanism as NodeKey,
      label: m.label,
      probability: m.probability,
    })),
  ].filter((n) => n.probability >= ON_MAP);
  const on = new Set(likely.map((n) => n.key));
  const links = table.mechanisms.flatMap(({ mechanism, links: of }) =>
    on.has(mechanism)
      ? of.flatMap((l) => (on.has(l.of) ? [{ from: l.of, to: mechanism as NodeKey }] : []))
      : [],
  );
  const levels = new Map<NodeKey, number>();
  const causes = new Set<NodeKey>(verdict.causes.map((c) => c.cause));
  const levelOf = (key: NodeKey): number => {
    const known = levels.get(key);
    if (known !== undefined) return known;
    const above = links.filter((l) => l.to === key).map((l) => levelOf(l.from));
    const level = causes.has(key) ? 0 : 1 + Math.max(0, ...above);
    levels.set(key, level);
    return level;
  };
  const seenOf = (key: NodeKey): string[] =>
    verdict.evidence
      .flatMap(({ key: finding, answer, says }) => {
        const row = table.findings.find((f) => f.key === finding);
        const link = row?.links.find((l) => l.of === key);
        // The first answer is nothing to see.
        if (!row || !link || answer === row.answers[0]![0]) return [];
        const often = Math.max(
          ...Object.values(link.makes).map((o) => (o === undefined ? 0 : chanceFrom(o))),
        );
        const otherwise = Object.values(row.leak).reduce<number>(
          (sum, o) => sum + (o === undefined ? 0 : chanceFrom(o)),
          0,
        );
        return [{ says, tells: often / Math.max(0.01, otherwise) }];
      })
      .sort((a, b) => b.tells - a.tells)
      .map((s) => s.says);
  return {
    nodes: likely.map((n) => ({ ...n, level: levelOf(n.key), seen: seenOf(n.key) })),
    links,
  };
}
