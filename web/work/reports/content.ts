import { unansweredIn } from '@undrel/core/assessment';
import { byDay, inSentence } from '@undrel/core/vocabulary';
import { QUESTIONS } from '@undrel/core/questions';
import type { Visit } from '@undrel/core/records';
import type { QuantityKey } from '@undrel/core/vocabulary';
import { VERDICT_ENGINE } from '@undrel/core/diagnosis';
import {
  causesAnswered,
  clashesOf,
  amountsDone,
  HOLD_POINTS,
  looksFirst,
  declinedOf,
  plannedOf,
  undecidedOf,
  plannedWork,
  PRESCRIPTION_ENGINE,
  revisionOf,
  workOrder,
  type Operation,
  type PrescriptionChange,
} from '@undrel/core/prescription';
import { formatMoney } from '@undrel/core/costing';
import { answerOf, type WorthOption } from '@undrel/core/worth';
import { type Profile } from '@undrel/core/profile';
import { dugSection } from '@undrel/core/roots';
import {
  percents,
  formatLength,
  formatQuantity,
  longUnit,
  shortUnit,
  writeLengths,
  type Quantity,
  type UnitSystem,
} from '@undrel/core/units';
import { paperOf } from '../../protocol/document';
import { picturesPart } from './picturesPart';
import { inShort, type ReportContent } from '../../protocol/report';
import { assessDigKept } from '../tree/dig';
import { digPart } from './digPart';
import { cutsPart } from './cutsPart';
import { operationsPart } from './operationsPart';
import { soilPart } from './soilPart';
import { refusedSpokes } from '../tree/trenches';
import { trenchPart } from './trenchPart';
import { verdictPart } from './verdictPart';
import type { Assessment } from '@undrel/core/assessment';
import { assessedOf, explained } from '../tree/assessed';
import { estimateRows, leftOut, moneyRange } from '../costs/words';
import { NEW_START, trenchWork, worthOf } from '../costs/worth';
import type { ReportSource } from '../tree/source';
import { deepestAt, stemDrawing } from './stemDrawing';
import { answerText } from './answerText';

/** How a figure was measured and what limits it, for the report. */
const METHODS: Partial<Record<QuantityKey, string>> = {
  collarDepth:
    'Thin rod to the first woody root at bearings round the stem; a rod can miss a root or stop on a stone.',
  fillAtStem: 'Depth of the old grade below the present one, by soil probe; read where the colour changes.',
  fillVolume: 'From the fill readings, counted only as far out as they were read.',
  mulchOnBark: 'Rule against the bark, mean round the stem.',
  mulchVolume: 'Rod depths along lines from the bark, straight between readings, smooth round the stem.',
  mulchRingRadius: 'Tape from the bark to the edge of the mulch, with the stem radius.',
};

/** What was measured in the ground at the stem. */
export const measuredIn = (profile: Profile): Quantity[] =>
  [
    profile.collar?.depth,
    profile.fill?.atStem,
    profile.fill?.volume,
    profile.mulch?.onBark,
    profile.mulch?.volume,
    profile.mulch?.ringRadius,
  ].filter((q): q is Quantity => q !== undefined);

/** What is to be expected where nothing is done, in a sentence or two. */
function nothingWords({ chance, lost }: WorthOption): string {
  const kept = !chance
    ? ''
    : chance.to === 0
      ? 'The tree is dead and will not recover.'
      : `The chance that the tree is still worth keeping in ten years is ${percents(chance)}.`;
  return [kept, lost].filter(Boolean).join(' ');
}

/** Whether it is worth it, and what it costs; no costs without rates. */
function worthPart(
  source: ReportSource,
): Pick<ReportContent, 'worth' | 'options' | 'ifNothing' | 'estimate' | 'estimateNotes'> {
  const sheet = worthOf(source, source.rates);
  const nothing = sheet.options.find((o) => o.key === 'nothing');
  const ifNothing = nothing && nothingWords(nothing);
  if (!source.rates) return { ...(ifNothing && { ifNothing }) };
  const { currency } = source.rates;
  const open = sheet.options.filter((o) => o.barred.length === 0);
  return {
    ...(ifNothing && { ifNothing }),
    ...(source.rates.tax && { tax: source.rates.tax.name }),
    worth: answerOf(sheet.options, currency),
    options: open.map((o) => [
      o.title,
      o.cost ? formatMoney(o.cost.now.total, currency) : '',
      o.cost ? moneyRange(o.cost.years, currency) : '',
      o.chance ? percents(o.chance) : 'none',
      o.lost,
      o.decide,
    ]),
    estimate:
      sheet.stages.length > 1
        ? sheet.stages.map((s) => ({
            title: `Season ${s.stage}, ${s.year}`,
            rows: estimateRows(s.estimate),
          }))
        : sheet.whole && sheet.whole.lines.length > 0
          ? [{ title: 'Treatment', rows: estimateRows(sheet.whole) }]
          : [],
    estimateNotes: leftOut(sheet.whole, sheet.unpriced),
  };
}

/** What is done when, and what is signed before it. */
function schedulePart(planned: readonly Operation[], source: ReportSource): string[][] {
  const { visit } = source;
  const steps = workOrder(planned, visit, trenchWork(source)?.bySeason?.length);
  const rows = steps.flatMap((step) => {
    if ('hold' in step) return [];
    const on = step.part === 1 ? visit.decisions.find((d) => d.operation === step.operation)?.on : step.on;
    const when =
      on ?? (step.part > 1 ? String(step.year) : planned.find((o) => o.key === step.operation)!.season);
    return [[when, step.title, step.first.map(({ hold }) => HOLD_POINTS[hold]).join('; ')]];
  });
  return visit.lookAgain ? [...rows, [visit.lookAgain.on, `Look again: ${visit.lookAgain.why}`, '']] : rows;
}

const changeText = (c: PrescriptionChange): string =>
  `${c.operation}, ${inSentence(c.what)}: ${[c.from, c.to || 'no longer'].filter(Boolean).join(' → ')}`;

/** What is prescribed otherwise than on the visit before; nothing on a first visit. */
function revisionPart(source: ReportSource, now: Assessment): ReportContent['revision'] {
  const { visits, visit, system } = source;
  const before = visits
    .filter((v) => !v.walk && v.date < visit.date)
    .sort((a, b) => byDay(b.date, a.date))[0];
  if (!before) return undefined;
  const was = assessedOf({ ...source, visit: before });
  const { changes, why } = revisionOf(
    { ...was, decisions: before.decisions },
    { ...now, decisions: visit.decisions },
    system,
  );
  const say = (text: string) => writeLengths(text, system);
  return {
    since: before.date,
    changes:
      changes.length > 0 ? changes.map((c) => say(changeText(c))) : ['No change in what is prescribed.'],
    why: why.map(say),
  };
}

/** What the crew recorded, step by step. */
const workPart = (visit: Visit, operations: readonly Operation[], system: UnitSystem): string[] =>
  (visit.work ?? []).map((w) => {
    const [, key, stage] = /^([a-zA-Z]+?)(?:-([2-5]))?$/.exec(w.step) ?? [];
    const operation = operations.find((o) => o.key === key);
    const amounts = amountsDone(w, operation, system);
    const title =
      operation?.title ??
      HOLD_POINTS[w.step.replace(/^hold-/, '').replace(/-[2-5]$/, '') as keyof typeof HOLD_POINTS] ??
      w.step;
    return `${w.on}${w.by ? `, ${w.by}` : ''}: ${title}${stage ? `, stage ${stage}` : ''}, ${w.how}${amounts && `: ${amounts}`}${w.note ? `. ${w.note}` : ''}`;
  });

/** What the report of one visit says, from the record alone. */
export const reportContent = (source: ReportSource): ReportContent => inShort(wholeContent(source));

/** Who it is for, which tree, when it was seen and by whom. */
function headPart({ tree, visit, events, wording, system, ...source }: ReportSource) {
  const short = (metres: number) => formatLength(metres, shortUnit(system));
  return {
    firm: source.firm,
    property: source.property,
    client: source.client,
    tree: tree.label,
    species: [tree.species, tree.commonName].filter(Boolean).join(', '),
    facts: [
      tree.plantedYear !== undefined ? `planted ${tree.plantedYear}` : 'year planted not known',
      tree.stock ?? 'nursery stock not known',
      tree.stemDiameter !== undefined ? `stem ${short(tree.stemDiameter)} at the base` : 'stem not measured',
      ...(tree.dbh !== undefined ? [`DBH ${short(tree.dbh)}`] : []),
      ...(tree.height !== undefined ? [`height ${formatLength(tree.height, longUnit(system), 0.1)}`] : []),
    ],
    visitDate: visit.date,
    visitor: visit.by ?? '',
    clientSees: visit.note ?? '',
    history: [...events]
      .sort((a, b) => byDay(a.when, b.when))
      .map((e) => `${e.when}: ${e.kind}${e.note ? `, ${e.note}` : ''}`),
    wording,
  };
}

/** What was seen and measured. */
function measuredPart({ visit, system }: ReportSource, profile: Profile) {
  return {
    seen: QUESTIONS.filter((q) => visit.findings.some((f) => f.key === q.key)).map((q) => ({
      ask: q.ask,
      answer: answerText(q, visit, system),
    })),
    measured: measuredIn(profile).map((q) => ({
      name: q.name,
      text: formatQuantity(q, system),
      method: METHODS[q.key] ?? q.working.formula,
    })),
    warnings: [...profile.missing, ...profile.problems.map((p) => writeLengths(p.message, system))],
  };
}

/** The stem before and after, the dig, cuts, soil, trenches and pictures. */
function drawnPart(source: ReportSource, { profile, operations }: Assessment) {
  const { visit, system } = source;
  const planned = plannedOf(operations, visit);
  const changesGround = Object.values(plannedWork(planned)).some((v) => v !== undefined);
  // The section is drawn where the collar lies deepest.
  const bearing = deepestAt(profile);
  const dug = assessDigKept(source);
  const cuts = dug && cutsPart(dug, source);
  const soil = soilPart(source);
  const trenches = trenchPart(source);
  const pictures = picturesPart(
    visit,
    system,
    source.visits.filter((v) => v.date < visit.date),
  );
  const drawn = (when: 'before' | 'after') =>
    stemDrawing(source, profile, planned, when, dug && dugSection(dug.reading.roots, bearing));
  return {
    drawing: drawn('before'),
    ...(dug && { dig: digPart(dug, source) }),
    ...(cuts && { cuts }),
    ...(soil && { soil }),
    ...(trenches && { trenches }),
    ...(pictures.length > 0 && { pictures }),
    ...(changesGround ? { drawingAfter: drawn('after') } : {}),
  };
}

/** What is still to be decided and what was declined, by title. A new start stands among the options. */
export function unsettledPart(
  operations: readonly Operation[],
  visit: Visit,
): Pick<ReportContent, 'undecided' | 'declined'> {
  const undecided = undecidedOf(operations, visit).filter((o) => !NEW_START.includes(o.key));
  const declined = declinedOf(operations, visit.decisions);
  return {
    ...(undecided.length > 0 && { undecided: undecided.map((o) => o.title) }),
    ...(declined.length > 0 && { declined: declined.map((o) => o.title) }),
  };
}

/** What is prescribed, what it is worth, when it is done and what was. */
function workOfVisit(source: ReportSource, whole: Assessment) {
  const { visit, system } = source;
  const { verdict, operations, situation } = whole;
  const say = (text: string) => writeLengths(text, system);
  const planned = plannedOf(operations, visit);
  const clashes = [
    ...clashesOf(planned, situation, source.closed),
    ...(planned.some((o) => o.key === 'trench') ? refusedSpokes(source) : []),
  ];
  const answers = causesAnswered(situation, operations);
  const { decisions } = explained(verdict, source.table);
  const revision = revisionPart(source, whole);
  const work = workPart(visit, operations, system);
  return {
    ...(clashes.length > 0 && { clashes: clashes.map(say) }),
    ...(answers.length > 0 && {
      answers: answers.map(({ label, certainty, text }) => ({ label, certainty, text: say(text) })),
    }),
    ...operationsPart(operations, visit, looksFirst(situation, operations, decisions), system),
    ...unsettledPart(operations, visit),
    ...worthPart(source),
    schedule: schedulePart(planned, source),
    ...(revision && { revision }),
    ...(work.length > 0 && { work }),
    ...(visit.lookAgain ? { lookAgain: `${visit.lookAgain.on}: ${visit.lookAgain.why}` } : {}),
  };
}

function wholeContent(source: ReportSource): ReportContent {
  const { visit, system } = source;
  const whole = assessedOf(source);
  const { profile, verdict } = whole;
  return {
    ...headPart(source),
    ...verdictPart(source, whole),
    ...measuredPart(source, profile),
    ...drawnPart(source, whole),
    ...workOfVisit(source, whole),
    notExamined: [
      ...(profile.collar ? [] : ['Collar depth (not probed)']),
      ...(profile.mulch ? [] : ['Mulch profiles']),
      ...(profile.fill ? [] : ['Original grade']),
      ...unansweredIn(visit).map((q) => q.ask),
      ...(assessDigKept(source) ? [] : ['Roots below the surface (no dig)']),
    ],
    paper: paperOf(system),
    engines: `${VERDICT_ENGINE} with table ${verdict.table}, ${PRESCRIPTION_ENGINE}`,
  };
}
