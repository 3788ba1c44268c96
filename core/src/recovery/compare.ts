import { PRACTICE_TABLE } from '../diagnosis';
import { shootsIn } from '../history';
import { ANSWER_MEASURES, GIRTH_ERROR, SHOOT_YEARS } from '../practice/recovery';
import { profileOf } from '../profile';
import { questionFor } from '../questions';
import type { Finding, Tree, Visit } from '../records';
import type { Dimension } from '../units/quantity';

/** How something stands at a later visit. */
export type Judgement = 'better' | 'as it was' | 'worse' | 'cannot be determined';

/** A measure with the half-width of its 90 % interval. */
interface Measured {
  value: number;
  plusMinus: number;
}

/** One thing that both visits, or one of them, looked at. */
export interface Compared {
  key: string;
  label: string;
  judgement: Judgement;
  /** Why it cannot be told, or how far it moved against its error. */
  why: string;
  /** Of what was measured. */
  dimension?: Dimension;
  before?: Measured;
  after?: Measured;
  /** Of what was seen. */
  saw?: readonly [before: string | undefined, after: string | undefined];
}

/** Half-width of a 90 % interval in standard deviations. */
const REACH = 1.645;

/** A measure of the crown as a visit read it. */
const crownMeasure = (visit: Visit, key: string, deviation: number): Measured | undefined => {
  const value = visit.findings.find((f) => f.key === key)?.number;
  return value === undefined ? undefined : { value, plusMinus: REACH * deviation };
};

/** Mean of the last shoots, which each differ by a share of themselves. */
function lastShoots({ findings, date }: Visit): Measured | undefined {
  const year = Number(date.slice(0, 4));
  const metres = shootsIn(findings).flatMap((s) =>
    s.values.filter((v) => v.year > year - SHOOT_YEARS).map((v) => v.metres),
  );
  if (metres.length === 0) return undefined;
  const value = metres.reduce((sum, m) => sum + m, 0) / metres.length;
  return { value, plusMinus: (REACH * value * ANSWER_MEASURES.shoots.reading) / Math.sqrt(metres.length) };
}

interface MeasureRule {
  key: string;
  label: string;
  dimension: Dimension;
  /** Whether more is better. */
  more: boolean;
  of(tree: Tree, visit: Visit): Measured | undefined;
}

const MEASURES: readonly MeasureRule[] = [
  {
    key: 'shoots',
    label: 'Shoots of the last three years',
    dimension: 'short length',
    more: true,
    of: (_, v) => lastShoots(v),
  },
  {
    key: 'leaf',
    label: 'Leaf length',
    dimension: 'short length',
    more: true,
    of: (_, v) => {
      const leaf = crownMeasure(v, 'crown.leafLength', 0);
      return leaf && { ...leaf, plusMinus: REACH * leaf.value * ANSWER_MEASURES.leaf.reading };
    },
  },
  {
    key: 'density',
    label: 'Crown density',
    dimension: 'share',
    more: true,
    of: (_, v) => crownMeasure(v, 'crown.density', ANSWER_MEASURES.density.reading),
  },
  {
    key: 'dieback',
    label: 'Dieback',
    dimension: 'share',
    more: false,
    of: (_, v) => crownMeasure(v, 'crown.dieback', ANSWER_MEASURES.dieback.reading),
  },
  {
    key: 'dbh',
    label: 'Stem at breast height',
    dimension: 'short length',
    more: true,
    of: (_, v) => {
      const dbh = crownMeasure(v, 'base.dbh', 0);
      return dbh && { ...dbh, plusMinus: REACH * dbh.value * GIRTH_ERROR };
    },
  },
  {
    key: 'collar',
    label: 'Depth of the collar',
    dimension: 'short length',
    more: false,
    of: (tree, v) => {
      const depth = profileOf(tree, v).collar?.depth;
      return depth && { value: depth.value, plusMinus: depth.plusMinus ?? 0 };
    },
  },
  {
    key: 'onBark',
    label: 'Mulch on the bark',
    dimension: 'short length',
    more: false,
    of: (tree, v) => {
      const mulch = profileOf(tree, v).mulch?.onBark;
      return mulch && { value: mulch.value, plusMinus: mulch.plusMinus ?? 0 };
    },
  },
];

function measured(tree: Tree, before: Visit, after: Visit): Compared[] {
  return MEASURES.flatMap(({ key, label, dimension, more, of }): Compared[] => {
    const [was, is] = [of(tree, before), of(tree, after)];
    if (!was && !is) return [];
    const both = { key, label, dimension, ...(was && { before: was }), ...(is && { after: is }) };
    if (!was || !is)
      return [
        {
          ...both,
          judgement: 'cannot be determined',
          why: `not measured on ${was ? after.date : before.date}`,
        },
      ];
    const error = Math.hypot(was.plusMinus, is.plusMinus);
    const moved = is.value - was.value;
    if (Math.abs(moved) <= error)
      return [{ ...both, judgement: 'as it was', why: 'it moved less than its error' }];
    return [
      {
        ...both,
        judgement: moved > 0 === more ? 'better' : 'worse',
        why: `it moved ${(Math.abs(moved) / Math.max(error, 1e-9)).toFixed(1)} times its error`,
      },
    ];
  });
}

/** The gravest answer to a finding, by its place in the table; the first is nothing to see. */
function gravest(findings: readonly Finding[], key: string, answers: readonly string[]): number | undefined {
  const seen = findings.filter((f) => f.key === key && !f.unsure).map((f) => answers.indexOf(f.answer ?? ''));
  const known = seen.filter((i) => i >= 0);
  return known.length > 0 ? Math.max(...known) : undefined;
}

function seen(before: Visit, after: Visit): Compared[] {
  return PRACTICE_TABLE.findings.flatMap((finding): Compared[] => {
    const question = questionFor(finding.key);
    if (!question || !('answers' in question)) return [];
    const answers = finding.answers.map(([answer]) => answer);
    const [was, is] = [before, after].map((v) => gravest(v.findings, finding.key, answers));
    if (was === undefined && is === undefined) return [];
    const word = (i: number | undefined) =>
      i === undefined ? undefined : (question.answers.find((a) => a.key === answers[i])?.label ?? answers[i]);
    const both = { key: finding.key, label: question.ask, saw: [word(was), word(is)] as const };
    if (was === undefined || is === undefined)
      return [
        {
          ...both,
          judgement: 'cannot be determined',
          why: `not checked on ${was === undefined ? before.date : after.date}`,
        },
      ];
    return [
      {
        ...both,
        judgement: is === was ? 'as it was' : is < was ? 'better' : 'worse',
        why: '',
      },
    ];
  });
}

const ORDER: readonly Judgement[] = ['worse', 'better', 'as it was', 'cannot be determined'];

/** Two visits side by side: every measure against its error and every look, what got worse or better first. */
export function compareVisits(tree: Tree, before: Visit, after: Visit): Compared[] {
  return [...measured(tree, before, after), ...seen(before, after)].sort(
    (a, b) => ORDER.indexOf(a.judgement) - ORDER.indexOf(b.judgement),
  );
}
