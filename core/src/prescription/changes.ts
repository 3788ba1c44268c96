import { chanceWords } from '../units/share';
import type { Verdict } from '../diagnosis';
import { MATTERS, schoolFor, type ChosenBy, type Matter, type School } from '../practice';
import type { House } from '../house';
import { formatQuantity } from '../units/quantity';
import type { UnitSystem } from '../units/length';
import { prescribe } from './prescribe';
import type { Operation, Situation } from '../weighing/operation';
import { isTaken } from '../weighing/planned';

/** One thing that is otherwise in the second of two prescriptions; `from` or `to` is empty where it is not there. */
export interface PrescriptionChange {
  operation: string;
  what: string;
  from: string;
  to: string;
}

const WORDS = { do: 'advised', option: 'worth considering', not: 'not advised' } as const;

/** Quantities, advice and texts that differ between two weighings of the same remedy. */
function changesOf(before: Operation, after: Operation, system: UnitSystem): PrescriptionChange[] {
  const change = (what: string, from: string, to: string): PrescriptionChange[] =>
    from === to ? [] : [{ operation: after.title, what, from, to }];
  const keys = [...new Set([...before.quantities, ...after.quantities].map((q) => q.key))];
  const amounts = keys.flatMap((key) => {
    const [was, now] = [before, after].map((o) => o.quantities.find((q) => q.key === key));
    const told = (q: typeof was) => (q ? formatQuantity(q, system) : '');
    return change((now ?? was)!.name, told(was), told(now));
  });
  const lines = (o: Operation) => [...o.method, ...o.acceptance];
  const gone = lines(before).filter((l) => !lines(after).includes(l));
  const come = lines(after).filter((l) => !lines(before).includes(l));
  return [
    ...change('advice', WORDS[before.advice], WORDS[after.advice]),
    ...amounts,
    ...change('season', before.season, after.season),
    ...(amounts.length > 0 ? [] : change('what is done', before.summary, after.summary)),
    ...come.map((to, i) => ({ operation: after.title, what: 'how', from: gone[i] ?? '', to })),
    ...gone.slice(come.length).map((from) => ({ operation: after.title, what: 'how', from, to: '' })),
  ];
}

/** What differs between two lists of weighed remedies for the same tree, of those that are prescribed in either. */
export const changesBetween = (
  before: readonly Operation[],
  after: readonly Operation[],
  decisions: Situation['visit']['decisions'],
  system: UnitSystem,
): PrescriptionChange[] =>
  after.flatMap((o) => {
    const old = before.find((b) => b.key === o.key);
    return old && (isTaken(old, decisions) || isTaken(o, decisions)) ? changesOf(old, o, system) : [];
  });

/** One school of a matter, and what it would change in this prescription. */
export interface SchoolEffect {
  school: School;
  inForce: boolean;
  changes: PrescriptionChange[];
}

/** A matter on which practitioners disagree, who chose, and what each school makes of this prescription. */
export interface MatterEffect {
  matter: Matter;
  chosenBy: ChosenBy;
  schools: SchoolEffect[];
}

/**
 * Every disagreement with what this prescription would be under each of its schools, all else the same.
 *
 * @param house schools of firm and property
 */
export function schoolEffects(s: Situation, house: House, system: UnitSystem): MatterEffect[] {
  const now = prescribe(s);
  return MATTERS.map((matter) => {
    const inForce = schoolFor(matter.key, house, s.tree.schools);
    return {
      matter,
      chosenBy: inForce.chosenBy,
      schools: matter.schools.map((school): SchoolEffect => {
        if (school.key === inForce.key) return { school, inForce: true, changes: [] };
        const schools = { ...s.tree.schools, [matter.key]: school.key };
        const tree = { ...s.tree, schools };
        const other = prescribe({ ...s, tree, school: (key) => schoolFor(key, house, schools) });
        return { school, inForce: false, changes: changesBetween(now, other, s.visit.decisions, system) };
      }),
    };
  });
}

/** What is prescribed otherwise than at the visit before, and what had been found otherwise. */
export interface Revision {
  changes: PrescriptionChange[];
  why: string[];
}

/** By how much the chance of a cause must have moved to be given as a reason. */
const MOVED = 0.15;

interface Stand {
  operations: readonly Operation[];
  verdict: Verdict;
  decisions: Situation['visit']['decisions'];
}

/** A new prescription beside the one of the visit before: operations that came and went, amounts, and why. */
export function revisionOf(before: Stand, after: Stand, system: UnitSystem): Revision {
  const [old, now] = [before, after].map(({ operations, decisions }) =>
    operations.filter((o) => isTaken(o, decisions)),
  ) as [Operation[], Operation[]];
  const added = now.filter((o) => !old.some((b) => b.key === o.key));
  const dropped = old.filter((o) => !now.some((a) => a.key === o.key));
  const amounts = now.flatMap((o) => {
    const was = old.find((b) => b.key === o.key);
    return was ? changesOf(was, o, system).filter((c) => c.what !== 'how') : [];
  });
  const chances = after.verdict.causes.flatMap((c) => {
    const was = before.verdict.causes.find((b) => b.cause === c.cause);
    return was && Math.abs(was.probability - c.probability) >= MOVED
      ? [`${c.label}: ${chanceWords(was.probability)} then, ${chanceWords(c.probability)} now.`]
      : [];
  });
  const facts = Object.entries(after.verdict.facts).flatMap(([key, fact]) => {
    const was = before.verdict.facts[key as keyof typeof before.verdict.facts];
    return was.state !== fact.state ? [`Then: ${was.text}. Now: ${fact.text}.`] : [];
  });
  return {
    changes: [
      ...added.map((o) => ({ operation: o.title, what: 'prescribed', from: '', to: o.summary })),
      ...dropped.map((o) => ({ operation: o.title, what: 'no longer prescribed', from: o.summary, to: '' })),
      ...amounts,
    ],
    why: [...chances, ...facts],
  };
}
