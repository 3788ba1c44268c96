import { inARow, inSentence } from '../vocabulary/inSentence';
import { chanceWords, percent } from '../units/share';
import type { OperationKey } from '../vocabulary/operations';
import type { QuantityKey } from '../vocabulary/quantities';
import { estimate, needsOf, type Estimate, type Need, type Rates, type TrenchWork } from '../costing';
import type { Forecast, YearBand } from '../growth';
import { COST_RANGE, WATCH_HOURS, WORTH_YEARS } from '../practice/worth';
import { replacementQuantities } from '../remedies/replace';
import { limit } from '../weighing/operation';
import { plantingSeason } from '../weighing/season';
import { plannedOf, yearsInGround, type Operation, type Situation } from '../prescription';
import { chanceOf, chanceOfNew, type Chance, type Range } from './chance';

export type OptionKey = 'treat' | 'reset' | 'replace' | 'remove' | 'nothing';

/** What the work of an option costs: now to the cent, and over the years with its range. */
export interface OptionCost {
  now: Estimate;
  /** Whole units of the currency, tax included: work with the range of hours, looks, and what a failure would cost. */
  years: Range;
  working: string[];
}

/** One way to go on with a tree, beside the others. */
export interface WorthOption {
  key: OptionKey;
  title: string;
  /** What is done. */
  what: string;
  /** Why it cannot be done with this tree; empty where it can. */
  barred: string[];
  /** That the tree, or the one that takes its place, is worth keeping after ten years. */
  chance: Chance | undefined;
  /** Undefined where the firm has no rates. */
  cost: OptionCost | undefined;
  lost: string;
  decide: string;
}

export interface WorthGiven {
  situation: Situation;
  operations: readonly Operation[];
  rates: Rates | undefined;
  trenches: TrenchWork | undefined;
  /** Year from the dig at which half of the bark is compressed if nothing is done, and its share in ten years. */
  squeezed?: { half: YearBand; inTenYears: number; now: number };
}

/**
 * How the bark is compressed where nothing is done, from the forecast of a dig.
 *
 * @param now share of today, as the dig was read: the middle of the forecast's first year is another figure
 */
export function squeezedIn(
  { scenarios }: Pick<Forecast, 'scenarios'>,
  now: number,
): NonNullable<WorthGiven['squeezed']> {
  const nothing = scenarios[0]!;
  return {
    half: nothing.reach.find((r) => r.threshold === 0.5)!.year,
    now,
    inTenYears: nothing.p50[WORTH_YEARS]!,
  };
}

const APART: readonly OperationKey[] = ['alive', 'postmortem', 'reset', 'remove', 'replace', 'watch'];
const LABOUR = ['crew', 'airTool', 'consultant', 'trip'];
/** Years after the work in which the tree is looked at. Common practice, no source. */
const LOOK_YEARS = [1, 2, 3, 5, WORTH_YEARS];

/** The operations that treat the tree where it stands: those prescribed, or those advised where none is. */
export function treatmentOf(s: Situation, operations: readonly Operation[]): Operation[] {
  const stays = operations.filter((o) => !APART.includes(o.key));
  const planned = plannedOf(stays, s.visit);
  if (planned.some((o) => o.key !== 'stability')) return planned;
  // Dead wood taken out treats nothing by itself.
  return [
    ...planned,
    ...stays.filter((o) => o.advice === 'option' && o.quantities.length > 0 && o.key !== 'crown'),
  ];
}

const withTax = (amount: number, rates: Rates): number =>
  amount * (1 + Number(rates.tax?.percent ?? 0) / 100);

/** The two ends of what an estimate may come to once the hours are known. */
function spread(e: Estimate, rates: Rates): Range {
  const sum = (of: (resource: string) => boolean) =>
    e.lines.filter((l) => of(l.resource)).reduce((total, l) => total + Number(l.sum), 0);
  const labour = sum((r) => LABOUR.includes(r));
  const rest = sum((r) => !LABOUR.includes(r));
  return {
    from: withTax(labour * COST_RANGE.from + rest, rates),
    to: withTax(labour * COST_RANGE.to + rest, rates),
  };
}

interface Priced {
  rates: Rates;
  /** Taking the tree down and setting a young one: what a failure costs. */
  failure: Range;
}

/** Cost of an option: its work, the looks, and what its failure costs, weighed with its chance. */
function costOf(
  needs: readonly Need[],
  looks: number,
  chance: Chance | undefined,
  priced: Priced,
): OptionCost {
  const { rates, failure } = priced;
  const now = estimate(needs, rates);
  const work = spread(now, rates);
  const look = withTax(looks * WATCH_HOURS * Number(rates.prices.consultant ?? 0), rates);
  const fails = chance && { from: 1 - chance.to, to: 1 - chance.from };
  const again = fails ? { from: fails.from * failure.from, to: fails.to * failure.to } : { from: 0, to: 0 };
  return {
    now,
    years: { from: work.from + look + again.from, to: work.to + look + again.to },
    working: [
      `Work: ${Math.round(work.from)} to ${Math.round(work.to)}, hours from ${COST_RANGE.from} to ${COST_RANGE.to} times the estimate. ${COST_RANGE.why}`,
      ...(looks > 0
        ? [`${looks} checks of ${WATCH_HOURS} h over ${WORTH_YEARS} years: ${Math.round(look)}.`]
        : []),
      ...(fails
        ? [
            `Failure, ${chanceWords(fails.from)} to ${chanceWords(fails.to)}, times taking it down and setting a young tree, ${Math.round(failure.from)} to ${Math.round(failure.to)}: ${Math.round(again.from)} to ${Math.round(again.to)}.`,
          ]
        : []),
    ],
  };
}

/** What the ways have in common. */
interface Weighing {
  s: Situation;
  operations: readonly Operation[];
  /** Year of the visit. */
  year: number;
  age: number | undefined;
  squeezed: WorthGiven['squeezed'];
  /** What an option costs; undefined where the firm has no rates. */
  cost: (
    planned: readonly Operation[],
    looks: number,
    chance: Chance | undefined,
    look?: boolean,
  ) => OptionCost | undefined;
  /** Where it may fall, every way to go on begins with that. */
  after: (what: string) => string;
}

const operation = (operations: readonly Operation[], key: OperationKey): Operation =>
  operations.find((o) => o.key === key)!;

function weighing({ situation: s, operations, rates, trenches, squeezed }: WorthGiven): Weighing {
  const { visit } = s;
  const safe = plannedOf([operation(operations, 'stability')], visit);
  const needs = (planned: readonly Operation[], look = true) =>
    needsOf([...safe, ...planned.filter((o) => o.key !== 'stability')], visit, trenches, look);
  const priced: Priced | undefined = rates && {
    rates,
    failure: spread(estimate(needs(takenDown(s, operations), false), rates), rates),
  };
  return {
    s,
    operations,
    year: Number(visit.date.slice(0, 4)),
    age: yearsInGround(s),
    squeezed,
    cost: (planned, looks, chance, look) => priced && costOf(needs(planned, look), looks, chance, priced),
    after: (what) =>
      safe.length > 0 ? `People kept away and stability assessed; then ${inSentence(what)}` : what,
  };
}

/** The tree taken down and a young one in its place. */
const takenDown = (s: Situation, operations: readonly Operation[]): Operation[] => [
  operation(operations, 'remove'),
  withQuantities(operation(operations, 'replace'), s),
];

function treating({ s, operations, year, squeezed, cost }: Weighing): WorthOption {
  const treatment = treatmentOf(s, operations);
  const keys = treatment.map((o) => o.key);
  const chance = chanceOf(s, keys);
  const rootShare = treatment
    .find((o) => o.key === 'prune')
    ?.quantities.find((q) => q.key === 'rootSectionThatGoes')?.value;
  const half = squeezed?.half.p10;
  return {
    key: 'treat',
    title: 'Treat it where it stands',
    what:
      treatment.length > 0 ? inARow(treatment.map((o) => o.title)) : 'Nothing found that treatment corrects',
    barred: keys.some((key) => key !== 'stability')
      ? []
      : ['no operation that treats it is prescribed or advised'],
    chance,
    cost: cost(treatment, LOOK_YEARS.length, chance),
    lost:
      rootShare === undefined
        ? 'No large root.'
        : `${percent(rootShare)} of the root cross-section in the first stage.`,
    decide:
      half === undefined
        ? 'Before the next growing season: the faults found grow with the tree.'
        : `Before ${year + Math.floor(half)}: by then half of the bark may be compressed if nothing is done.`,
  };
}

function lifting({ s, operations, year, age, cost, after }: Weighing): WorthOption {
  const reset = operation(operations, 'reset');
  const chance = chanceOfNew(s, 'reset');
  return {
    key: 'reset',
    title: 'Lift and reset it',
    what: after('Lifted in its season, roots opened, set at the right height'),
    barred: reset.advice === 'not' ? reset.why : [],
    chance,
    cost:
      reset.advice === 'not'
        ? undefined
        : cost([reset, ...afterReset(s, operations)], LOOK_YEARS.length, chance),
    lost: 'Part of the fine roots; growth of a season or two.',
    decide:
      age === undefined
        ? 'While it is young enough to lift.'
        : `By the winter of ${year + Math.max(0, limit('resetMaxYears') - age)}: later it no longer comes up whole.`,
  };
}

function replacing({ s, operations, age, cost, after }: Weighing): WorthOption {
  const chance = chanceOfNew(s, 'replace');
  return {
    key: 'replace',
    title: 'Take it down and replant',
    what: after('Felled, stump out, a young tree in its place with two seasons of water'),
    barred: [],
    chance,
    cost: cost(takenDown(s, operations), LOOK_YEARS.length, chance, false),
    lost: `The tree as it stands${age === undefined ? '' : `, ${age} years of growth`}; shade and screen for ${age === undefined ? 'many years' : `about as long`}.`,
    decide: `Any year. Planting: ${plantingSeason(s)} Permits first.`,
  };
}

const removing = ({ operations, cost, after }: Weighing): WorthOption => ({
  key: 'remove',
  title: 'Take it down',
  what: after('Felled, stump out, the place left open'),
  barred: [],
  chance: undefined,
  cost: cost([operation(operations, 'remove')], 0, undefined, false),
  lost: 'The tree, for good.',
  decide: 'When permits and nesting seasons allow.',
});

function leaving({ s, squeezed, cost, after }: Weighing): WorthOption {
  const chance = chanceOf(s, []);
  const dead = s.verdict.alive.state === 'dead';
  const { lookAgain } = s.visit;
  return {
    key: 'nothing',
    title: 'Do nothing',
    what: after(dead ? 'Left standing until it falls or is felled' : 'Left as it is and checked each year'),
    barred: [],
    chance,
    cost: cost([], LOOK_YEARS.length, chance, false),
    lost: dead
      ? 'Nothing more than is lost already; dead branches fall, and in time the whole tree.'
      : squeezed
        ? `Girdling roots compress ${percent(squeezed.now)} of the stem’s circumference today, about ${percent(squeezed.inTenYears)} in ten years.`
        : 'The faults stay uncorrected, and decline goes on.',
    decide: dead
      ? 'Soon: dead wood grows brittle from year to year.'
      : lookAgain === undefined
        ? 'Decide again at the next visit, within a year.'
        : `Decide again at the next visit, ${lookAgain.on}.`,
  };
}

/**
 * Treat, reset, replace, remove and do nothing side by side over ten years. No number stands without its range; money
 * is undefined where the firm has no rates.
 */
export function optionsOf(given: WorthGiven): WorthOption[] {
  const all = weighing(given);
  return [treating(all), lifting(all), replacing(all), removing(all), leaving(all)];
}

/** Stake and water, which a tree that was reset takes as a young one in its place does: both ways are priced alike. */
function afterReset(s: Situation, operations: readonly Operation[]): Operation[] {
  const beside = replacementQuantities(s);
  const only = (key: OperationKey, quantity: QuantityKey): Operation[] => {
    const own = operations.find((o) => o.key === key)!;
    const amount = beside.find((q) => q.key === quantity);
    return own.quantities.length > 0 ? [own] : amount ? [{ ...own, quantities: [amount] }] : [];
  };
  const staked = s.school('staking').key !== 'none';
  return [...(staked ? only('stake', 'stakeSets') : []), ...only('water', 'waterings')];
}

/** Replacement has its quantities here whether it is called for or not. */
function withQuantities(replace: Operation, s: Situation): Operation {
  return replace.quantities.length > 0 ? replace : { ...replace, quantities: replacementQuantities(s) };
}
