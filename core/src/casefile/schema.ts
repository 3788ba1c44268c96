import { z } from 'zod';
import { QUESTIONS, questionFor } from '../assessment/stations';
import { CAUSE_KEYS } from '../diagnosis/causes';
import { EVENT_KINDS, eventDateProblem, yearOf } from '../history/events';
import { MATTERS } from '../practice/schools';
import { OPERATION_KEYS } from '../prescription/operation';
import { TEXTURES } from '../soil/texture';
import { LENGTH_LIMITS, type LengthField } from '../units/limits';
import { CUT_RANGES } from './cuts';
import { CASE_FORMAT, CASE_VERSION, type CaseFile } from './model';

const length = (field: LengthField) =>
  z
    .number()
    .min(LENGTH_LIMITS[field].min)
    .max(LENGTH_LIMITS[field].max)
    .describe(`${LENGTH_LIMITS[field].name}, m`);
const bearing = z.number().min(0).lt(360).describe('degrees clockwise from north');
const text = (most: number) => z.string().max(most);
const day = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}$/)
  .refine((when) => yearOf(when) !== undefined, { error: 'no such day; allowed: YYYY-MM-DD' });

/** An amount of money in decimals as text. */
const amountText = z.string().regex(/^\d{1,8}(\.\d{1,2})?$/);

export const treeSchema = z.strictObject({
  label: text(80).min(1),
  species: text(120),
  commonName: text(120).optional(),
  plantedYear: z.int().min(1700).max(2200).optional(),
  stock: z.enum(['container', 'balled-and-burlapped', 'bare-root', 'field-grown']).optional(),
  planter: text(120).optional().describe('who planted it'),
  cohort: text(120).optional().describe('name of the trees it was planted with'),
  stemDiameter: length('stemDiameter').optional(),
  dbh: length('dbh').optional(),
  height: length('height').optional(),
  crownRadius: length('crownRadius').optional(),
  crownSpread: z
    .array(z.strictObject({ bearing, radius: length('crownRadius') }))
    .min(1)
    .max(8)
    .refine((all) => new Set(all.map((s) => s.bearing)).size === all.length, 'a bearing is given twice')
    .optional(),
  mulchRoom: length('mulchRoom').optional(),
  position: z.strictObject({ x: length('position'), y: length('position') }).optional(),
  reference: z.boolean().optional(),
  worth: z
    .strictObject({
      currency: z.string().regex(/^[A-Z]{3}$/),
      asIs: amountText,
      young: amountText.optional(),
    })
    .optional(),
  schools: z
    .record(z.string(), z.string())
    .refine((schools) => Object.entries(schools).every(([matter, school]) => knownSchool(matter, school)), {
      error: 'unknown matter or school of practice',
    })
    .optional(),
  note: text(4000).optional(),
});

function knownSchool(matter: string, school: string): boolean {
  return MATTERS.some((m) => m.key === matter && m.schools.some((s) => s.key === school));
}

export const eventSchema = z.strictObject({
  kind: z.enum(EVENT_KINDS as [string, ...string[]]),
  when: z.string().refine((when) => yearOf(when) !== undefined, {
    error: 'not a date; allowed: YYYY, YYYY-MM or YYYY-MM-DD',
  }),
  note: text(2000).optional(),
});

export const findingSchema = z
  .strictObject({
    key: z.enum(QUESTIONS.map((q) => q.key) as [string, ...string[]]),
    part: z.int().min(0).max(2200).optional().describe('sector 0-7 from north clockwise, or a year'),
    answer: text(40).optional(),
    number: z.number().optional().describe('m, share 0-1, or in the unit of the question'),
    bearing: bearing.optional().describe('side of the stem it is on, degrees clockwise from north'),
    height: length('woundHeight').optional(),
    unsure: z.literal(true).optional().describe('whoever noted it was not sure of it'),
    note: text(2000).optional(),
  })
  .superRefine((finding, ctx) => {
    const question = questionFor(finding.key);
    if (!question) return;
    const wrong = (path: string, message: string) => ctx.addIssue({ code: 'custom', path: [path], message });
    if (question.kind === 'grade' || question.kind === 'sectors') {
      const allowed = question.answers.map((a) => a.key);
      if (!allowed.includes(finding.answer ?? '')) wrong('answer', `allowed: ${allowed.join(', ')}`);
    } else if (finding.number === undefined) {
      wrong('number', 'a number is needed');
    } else {
      const [min, max] =
        question.kind === 'percent'
          ? [0, 1]
          : question.kind === 'number'
            ? [question.min, question.max]
            : [LENGTH_LIMITS[question.field].min, LENGTH_LIMITS[question.field].max];
      if (finding.number < min || finding.number > max) wrong('number', `allowed: ${min} to ${max}`);
    }
    const placed = question.kind === 'grade' && question.placed;
    for (const where of ['bearing', 'height'] as const) {
      if (finding[where] !== undefined && !placed) wrong(where, 'this question has no place on the stem');
    }
    if (question.kind === 'sectors' && !(finding.part !== undefined && finding.part <= 7))
      wrong('part', 'allowed: 0 to 7');
    if (question.kind === 'years' && !(finding.part !== undefined && finding.part >= 1700))
      wrong('part', 'allowed: a year');
  });

const depthReading = (field: LengthField) =>
  z.strictObject({ distance: length('distance'), depth: length(field) });

export const profileSchema = z.strictObject({
  bearing,
  mulch: z.array(depthReading('mulchDepth')).max(60),
  mulchEnds: length('mulchEnds').optional(),
  fill: z.array(depthReading('fillDepth')).max(60),
});

export const probeSchema = z.strictObject({
  bearing,
  distance: length('distance'),
  depth: length('probeDepth'),
  found: z.enum(['root', 'nothing', 'obstacle']),
  from: z.enum(['grade', 'mulch']),
});

const rootPoint = z.strictObject({
  bearing,
  distance: length('rootDistance'),
  depth: length('rootDepth'),
  diameter: length('rootDiameter'),
});

export const rootSchema = z.strictObject({
  label: text(12).min(1),
  kind: z.enum(['structural', 'girdling', 'root on root', 'circling', 'adventitious', 'competing']),
  start: z.enum(['stem', 'root', 'outside']),
  from: text(80).optional().describe('label of the root it starts at, or of the tree it belongs to'),
  points: z.array(rootPoint).max(200),
  over: z.array(text(12)).max(300).optional(),
  condition: z.enum(['sound', 'cracked', 'decayed', 'dead']).optional(),
  contact: z.enum(['clear', 'touching', 'pressing', 'embedded', 'grafted']).optional(),
  embedded: length('embedded').optional(),
  leftPot: z.boolean().optional(),
  farthest: length('farthest').optional(),
  rings: z.strictObject({ count: z.int().min(1).max(300), over: length('ringsOver') }).optional(),
  note: text(2000).optional(),
  done: z
    .strictObject({
      on: day,
      by: text(120).optional(),
      how: z.enum(['as planned', 'otherwise', 'left']),
      diameters: z.array(length('rootDiameter')).max(4).optional(),
      note: text(2000).optional(),
    })
    .optional(),
});

export const digHeadSchema = z.strictObject({
  radii: z
    .array(z.strictObject({ bearing, radius: length('outlineRadius') }))
    .max(72)
    .optional(),
  diameters: z
    .strictObject({ bearing, along: length('outlineDiameter'), across: length('outlineDiameter') })
    .optional(),
  buttresses: z
    .array(z.strictObject({ bearing, reach: length('buttressReach'), width: length('buttressWidth') }))
    .max(24)
    .optional(),
  decay: z
    .array(
      z.strictObject({
        from: bearing,
        to: bearing,
        height: length('decayHeight'),
        depth: length('decayDepth').optional(),
      }),
    )
    .max(24)
    .optional(),
  barriers: z
    .array(
      z.strictObject({
        kind: z.enum(['root-control ring', 'grate', 'tie', 'guard']),
        diameter: length('barrier'),
      }),
    )
    .max(12)
    .optional(),
  measuredFrom: z.enum(['bark', 'centre']),
  north: z.enum(['true', 'magnetic']),
  declination: z.number().min(-60).max(60).optional().describe('degrees, magnetic north east of true north'),
  pitRadius: length('pitRadius').optional(),
  note: text(4000).optional(),
});

export const digSchema = digHeadSchema.extend({ roots: z.array(rootSchema).max(500) });

export const decisionSchema = z.strictObject({
  operation: z.enum(OPERATION_KEYS),
  taken: z.boolean(),
  on: day.optional().describe('day it is planned for'),
  wording: text(4000).optional(),
});

export const workSchema = z.strictObject({
  step: z
    .string()
    .regex(/^[a-z][a-zA-Z-]{1,30}(-[1-5])?$/)
    .describe('an operation, a later part of it (prune-2, trench-2), or a point to sign (hold-dry)'),
  how: z.enum(['done', 'changed', 'not done']),
  on: day,
  by: text(120).optional(),
  amounts: z
    .array(z.strictObject({ name: text(80), amount: z.number().min(0).max(100_000) }))
    .max(20)
    .optional()
    .describe('what it came to on site, by the name of the quantity; SI'),
  note: text(2000).optional(),
});

export const pushSchema = z.strictObject({
  bearing: z.number().min(0).lt(360),
  distance: z.number().min(0).max(30),
  readings: z
    .array(
      z.strictObject({
        depth: z.number().min(0).max(1.5),
        pressure: z.number().min(0).max(2e7).describe('Cone index, Pa.'),
      }),
    )
    .max(400)
    .refine(
      (readings) => readings.every((r, i) => i === 0 || r.depth > readings[i - 1]!.depth),
      'depths jump back: each reading lies deeper than the one before',
    ),
  stopped: z.number().min(0).max(1.5).optional(),
  moisture: z.enum(['dry', 'moist', 'wet']).optional(),
  note: z.string().max(500).optional(),
});

export const soilLogSchema = z.strictObject({
  place: z.enum(['ring', 'outside', 'open', 'reference']),
  bearing,
  distance: length('siteDistance'),
  layers: z
    .array(
      z.strictObject({
        to: length('layer'),
        colour: z.enum(['dark', 'brown', 'pale', 'mottled', 'grey', 'mixed']).optional(),
        texture: z.enum(TEXTURES).optional(),
        moisture: z.enum(['dry', 'moist', 'wet', 'water']).optional(),
        smell: z.enum(['none', 'sour', 'rotten']).optional(),
        roots: z.enum(['none', 'few', 'many']).optional(),
      }),
    )
    .max(20)
    .refine(
      (layers) => layers.every((l, i) => l.to > (layers[i - 1]?.to ?? 0)),
      'depths jump back: each layer ends deeper than the one before',
    ),
  refusal: length('layer').optional(),
  oldGrade: length('layer').optional(),
  note: text(500).optional(),
});

const ranged = (key: keyof typeof CUT_RANGES) =>
  z.number().min(CUT_RANGES[key][0]).max(CUT_RANGES[key][1]).optional();
const rootStage = z.int().min(1).max(5);

export const cutsSchema = z.strictObject({
  stages: rootStage.optional(),
  interval: z.int().min(1).max(10).optional(),
  limits: z
    .strictObject({
      stageLoss: ranged('stageLoss'),
      totalLoss: ranged('totalLoss'),
      anchorGap: ranged('anchorGap'),
      strictGap: ranged('strictGap'),
      largest: ranged('largest'),
      together: ranged('together'),
      nearDbh: ranged('nearDbh'),
    })
    .optional(),
  windward: bearing.optional(),
  target: bearing.optional(),
  sensitive: z.literal(true).optional(),
  locks: z
    .array(z.strictObject({ label: text(12), hold: z.enum(['keep', 'cut']), stage: rootStage.optional() }))
    .max(500)
    .optional(),
  agreed: z
    .array(z.strictObject({ label: text(12), stage: rootStage }))
    .max(500)
    .optional(),
  days: z
    .array(z.strictObject({ stage: rootStage, on: day }))
    .max(5)
    .refine((all) => new Set(all.map((d) => d.stage)).size === all.length, 'a stage is given twice')
    .optional(),
  note: text(2000).optional(),
});

const bearings = z.array(z.number().min(0).lt(360)).max(60);
export const trenchSchema = z.strictObject({
  holeRadius: z.number().positive().max(5).optional(),
  slope: z.strictObject({ fall: z.number().min(0).max(1), toward: z.number().min(0).lt(360) }).optional(),
  locked: bearings.optional(),
  avoid: bearings.optional(),
  marked: z.iso.date().optional(),
  choice: z
    .strictObject({ remedy: z.string().min(1).max(40), why: z.string().trim().min(1).max(500) })
    .optional(),
  note: z.string().max(2000).optional(),
});

export const visitSchema = z.strictObject({
  date: day,
  by: text(120).optional(),
  note: text(8000).optional(),
  walk: z.literal(true).optional().describe('made on a walk-round: quick looks that add to the visit before'),
  lookAgain: z.strictObject({ on: day, why: text(400) }).optional(),
  drainCheck: day.optional().describe('day on which a hole that was filled is looked at'),
  opinion: z
    .strictObject({ cause: z.enum(CAUSE_KEYS as [string, ...string[]]), why: text(2000) })
    .optional()
    .describe('the cause the consultant puts first against the weighing of the findings, and why'),
  labOrder: z
    .strictObject({ label: z.string().trim().min(1).max(120), sent: z.iso.date(), ready: z.iso.date() })
    .optional(),
  clientWords: text(4000).optional().describe('what the client is told of the verdict'),
  findings: z.array(findingSchema).max(500),
  profiles: z.array(profileSchema).max(72),
  probes: z.array(probeSchema).max(500),
  decisions: z.array(decisionSchema).max(20),
  dig: digSchema.optional(),
  trenches: trenchSchema.optional(),
  cuts: cutsSchema.optional(),
  pushes: z.array(pushSchema).min(1).max(200).optional(),
  soilLogs: z.array(soilLogSchema).min(1).max(40).optional(),
  work: z.array(workSchema).min(1).max(60).optional(),
});

/** Rain of the growing seasons, April to September; m. */
export const weatherSchema = z.strictObject({
  source: z.string().min(1).max(120),
  seasons: z
    .array(z.strictObject({ year: z.int().min(1800).max(2200), rain: z.number().min(0).max(5) }))
    .max(200)
    .refine(
      (seasons) => new Set(seasons.map((s) => s.year)).size === seasons.length,
      'a year is given twice',
    ),
});

/** What stands and lies about a tree, on the plan of its property: metres, x east, y north. */
export const siteSchema = z.strictObject({
  things: z
    .array(
      z.strictObject({
        name: text(200),
        kind: text(60),
        shape: z.enum(['area', 'line']),
        points: z
          .array(z.tuple([length('position'), length('position')]))
          .min(1)
          .max(5000),
      }),
    )
    .max(5000),
  others: z
    .array(
      z.strictObject({
        label: text(80),
        x: length('position'),
        y: length('position'),
        stemDiameter: length('stemDiameter').optional(),
      }),
    )
    .max(2000),
});

export const caseSchema = z
  .strictObject({
    format: z.literal(CASE_FORMAT),
    version: z.literal(CASE_VERSION),
    tree: treeSchema,
    events: z.array(eventSchema).max(500),
    visits: z.array(visitSchema).max(200),
    weather: weatherSchema.optional(),
    site: siteSchema.optional(),
  })
  .describe('One tree with its history and visits. SI units; bearings in degrees clockwise from north.');

/** The open format as JSON Schema (draft 2020-12). */
export const caseJsonSchema = (): unknown => z.toJSONSchema(caseSchema, { io: 'input' });

export interface CaseProblem {
  path: string;
  value: unknown;
  message: string;
}

export type ReadCase =
  { ok: true; caseFile: CaseFile; warnings: CaseProblem[] } | { ok: false; problems: CaseProblem[] };

const at = (path: readonly PropertyKey[]): string =>
  path.reduce<string>(
    (out, part) => (typeof part === 'number' ? `${out}[${part}]` : `${out}.${String(part)}`),
    '$',
  );

const valueAt = (root: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((value, key) => (value as Record<PropertyKey, unknown> | undefined)?.[key], root);

/** Zod's issues as path, value and what is allowed. */
export function problemsFrom(error: z.ZodError, root: unknown): CaseProblem[] {
  return error.issues.map((issue) => ({
    path: at(issue.path),
    value: valueAt(root, issue.path),
    message: issue.message,
  }));
}

type Old = { visit?: Record<string, unknown> & { probes?: Record<string, unknown>[] } } & Record<
  string,
  unknown
>;

/**
 * Version 1 held a single visit, and its rod was always read from grade.
 */
function fromVersion1(old: Old): unknown {
  const { visit, ...rest } = old;
  const probes = visit?.probes?.map((probe) => ({ from: 'grade', ...probe }));
  return { ...rest, version: 2, visits: visit ? [{ ...visit, ...(probes ? { probes } : {}) }] : [] };
}

/** Version 2 had no places on the stem and no dig; what it held is unchanged. */
const fromVersion2 = (old: object): unknown => ({ ...old, version: CASE_VERSION });

function brought(raw: Old): unknown {
  if (raw.version === 1) return fromVersion2(fromVersion1(raw) as object);
  return raw.version === 2 ? fromVersion2(raw) : raw;
}

/**
 * Reads a case from text.
 *
 * @param source JSON text; a file cut off, a newer version and every field out of range are refused with the path,
 *   the value and what is allowed; older versions are migrated
 * @param today ISO date, to tell events in the future
 * @returns the case and warnings (event dates that contradict it), or the problems
 */
export function readCase(source: string, today: string): ReadCase {
  const refuse = (path: string, value: unknown, message: string): ReadCase => ({
    ok: false,
    problems: [{ path, value, message }],
  });
  let raw: unknown;
  try {
    raw = JSON.parse(source.replace(/^\uFEFF/, ''));
  } catch (error) {
    const open = !/[}\]]\s*$/.test(source);
    const detail = error instanceof Error ? error.message : String(error);
    return refuse(
      '$',
      `${source.length} characters`,
      open ? 'The file is cut off: it does not end in }.' : `Not JSON: ${detail}.`,
    );
  }
  if (typeof raw !== 'object' || raw === null || (raw as Old).format !== CASE_FORMAT) {
    return refuse('$.format', (raw as Old | null)?.format, `not a case file; allowed: "${CASE_FORMAT}"`);
  }
  const version = (raw as Old).version;
  if (typeof version === 'number' && version > CASE_VERSION) {
    return refuse(
      '$.version',
      version,
      `made by a newer Undrel; this one reads versions 1 to ${CASE_VERSION}`,
    );
  }
  const current = brought(raw as Old);
  const read = caseSchema.safeParse(current, { reportInput: true });
  if (!read.success) return { ok: false, problems: problemsFrom(read.error, current) };
  const caseFile = read.data as CaseFile;
  const warnings = caseFile.events.flatMap((event, i): CaseProblem[] => {
    const message = eventDateProblem(event, caseFile.tree, today);
    return message ? [{ path: `$.events[${i}].when`, value: event.when, message }] : [];
  });
  return { ok: true, caseFile, warnings };
}
