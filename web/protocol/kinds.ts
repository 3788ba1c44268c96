import { bearingName, questionFor } from '@undrel/core/questions';
import { KIND_KEYS, type Kind, type Values } from '@undrel/core/records';
import type { Deed } from './roles';

type Part<T> = T extends readonly unknown[] ? never : T extends object ? { [F in keyof T]-?: string } : never;

/** The column of each field; of a field that is stored in several, the column of each of its parts. */
type Columns<V> = { [F in keyof V]-?: string | Part<NonNullable<V[F]>> };

/** What the application knows of a kind of record beside what the core says of it. */
interface KindEntry<V> {
  /** What one has to be allowed to do to write it. */
  deed: Deed;
  /** Fields that only a consultant writes, with what they are called. */
  judged?: Partial<Record<keyof V, string>>;
  /** What one record is called in a sentence. */
  called: (values: Partial<V>) => string;
  table: string;
  columns: Columns<V>;
}

const at = ({ bearing }: { bearing?: number }): string =>
  bearing === undefined ? '' : ` at ${bearingName(bearing)}`;

/** Every kind of record of a case: who writes it, what it is called, and where each field is stored. */
export const KIND_ENTRIES: { readonly [K in Kind]: KindEntry<Values[K]> } = {
  tree: {
    deed: 'measure',
    judged: { schools: 'schools of practice', worth: 'worth of the tree' },
    called: () => 'the tree',
    table: 'trees',
    columns: {
      label: 'label',
      species: 'species',
      commonName: 'common_name',
      plantedYear: 'planted_year',
      stock: 'stock',
      planter: 'planter',
      cohort: 'cohort',
      stemDiameter: 'stem_diameter',
      dbh: 'dbh',
      height: 'height',
      crownRadius: 'crown_radius',
      crownSpread: 'crown_spread',
      mulchRoom: 'mulch_room',
      position: { x: 'x', y: 'y', error: 'position_error' },
      fix: 'fix',
      reference: 'reference',
      schools: 'schools',
      worth: 'worth',
      note: 'note',
    },
  },
  event: {
    deed: 'measure',
    called: ({ kind = '' }) => `event: ${kind}`,
    table: 'tree_events',
    columns: { kind: 'kind', when: 'happened', note: 'note' },
  },
  visit: {
    deed: 'measure',
    judged: { opinion: 'the consultant’s own judgement', clientWords: 'words for the client' },
    called: ({ date = '' }) => `visit of ${date}`,
    table: 'visits',
    columns: {
      date: 'visited_on',
      by: 'visitor',
      note: 'note',
      lookAgain: { on: 'look_again_on', why: 'look_again_why' },
      drainCheck: 'drain_check',
      walk: 'walk',
      opinion: { cause: 'opinion_cause', why: 'opinion_why' },
      labOrder: { label: 'lab_label', sent: 'lab_sent', ready: 'lab_ready' },
      clientWords: 'client_words',
    },
  },
  finding: {
    deed: 'measure',
    called: ({ key = '', part }) =>
      `${questionFor(key)?.ask ?? key}${part === undefined ? '' : ` (${part})`}`,
    table: 'findings',
    columns: {
      key: 'key',
      part: 'part',
      answer: 'answer',
      number: 'number',
      bearing: 'bearing',
      height: 'height',
      unsure: 'unsure',
      note: 'note',
    },
  },
  profile: {
    deed: 'measure',
    called: (values) => `mulch and grade${at(values)}`,
    table: 'grade_profiles',
    columns: { bearing: 'bearing', mulch: 'mulch', mulchEnds: 'mulch_ends', fill: 'fill' },
  },
  probe: {
    deed: 'measure',
    called: (values) => `push of the rod${at(values)}`,
    table: 'probe_points',
    columns: { bearing: 'bearing', distance: 'distance', depth: 'depth', found: 'found', from: 'read_from' },
  },
  decision: {
    deed: 'judge',
    called: ({ operation = '' }) => `decision: ${operation}`,
    table: 'decisions',
    columns: { operation: 'operation', taken: 'taken', on: 'planned_on', wording: 'wording' },
  },
  dig: {
    deed: 'measure',
    called: () => 'dig: the stem and how it was measured',
    table: 'digs',
    columns: {
      radii: 'radii',
      diameters: 'diameters',
      buttresses: 'buttresses',
      decay: 'decay',
      barriers: 'barriers',
      pot: 'pot',
      measuredFrom: 'measured_from',
      north: 'north',
      declination: 'declination',
      pitRadius: 'pit_radius',
      note: 'note',
    },
  },
  root: {
    deed: 'measure',
    called: ({ label = '' }) => `root ${label}`,
    table: 'roots',
    columns: {
      label: 'label',
      kind: 'kind',
      start: 'start',
      from: 'grows_from',
      points: 'points',
      over: 'passes_over',
      condition: 'condition',
      contact: 'contact',
      embedded: 'embedded',
      leftPot: 'left_pot',
      farthest: 'farthest',
      rings: 'rings',
      traced: 'traced',
      note: 'note',
      done: 'done',
    },
  },
  trenches: {
    deed: 'measure',
    called: () => 'trenches',
    table: 'trench_designs',
    columns: {
      holeRadius: 'hole_radius',
      slope: { fall: 'slope_fall', toward: 'slope_toward' },
      locked: 'locked',
      avoid: 'avoid',
      marked: 'marked',
      choice: { remedy: 'choice_remedy', why: 'choice_why' },
      note: 'note',
    },
  },
  cuts: {
    deed: 'judge',
    called: () => 'cut plan',
    table: 'cut_designs',
    columns: {
      stages: 'stages',
      interval: 'interval_years',
      limits: 'limits',
      windward: 'windward',
      target: 'target',
      sensitive: 'sensitive',
      locks: 'locks',
      agreed: 'agreed',
      days: 'stage_days',
      note: 'note',
    },
  },
  push: {
    deed: 'measure',
    called: (values) => `push of the penetrometer${at(values)}`,
    table: 'pushes',
    columns: {
      bearing: 'bearing',
      distance: 'distance',
      readings: 'readings',
      stopped: 'stopped',
      moisture: 'moisture',
      note: 'note',
    },
  },
  soilLog: {
    deed: 'measure',
    called: (values) => `hole of the soil probe${at(values)}`,
    table: 'soil_logs',
    columns: {
      place: 'place',
      bearing: 'bearing',
      distance: 'distance',
      layers: 'layers',
      refusal: 'refusal',
      oldGrade: 'old_grade',
      traced: 'traced',
      note: 'note',
    },
  },
  work: {
    deed: 'measure',
    called: ({ step = '' }) => `work: ${step}`,
    table: 'work_done',
    columns: { step: 'step', how: 'how', on: 'done_on', by: 'done_by', amounts: 'amounts', note: 'note' },
  },
  watering: {
    deed: 'measure',
    called: ({ on = '' }) => `watering of ${on}`,
    table: 'waterings',
    columns: { on: 'on_day', litres: 'litres', probe: 'probe', by: 'done_by' },
  },
  picture: {
    deed: 'measure',
    called: ({ caption }) => (caption ? `picture: ${caption}` : 'picture'),
    table: 'pictures',
    columns: {
      hash: 'hash',
      width: 'width',
      height: 'height',
      on: 'taken_on',
      by: 'taken_by',
      shows: 'shows',
      bearing: 'bearing',
      root: 'root',
      step: 'step',
      caption: 'caption',
      leftOut: 'left_out',
      first: 'first',
      sheet: 'sheet',
      bar: 'bar',
      face: 'face',
      section: 'section',
      cards: 'cards',
      leaves: 'leaves',
      aligned: 'aligned',
      marks: 'marks',
    },
  },
  followUp: {
    deed: 'measure',
    called: ({ task = '' }) => `follow-up: ${task}`,
    table: 'follow_ups',
    columns: { task: 'task', how: 'how', on: 'on_day', by: 'done_by', why: 'why' },
  },
};

/** The tables of all kinds, those that others refer to first. */
export const RECORD_TABLES: readonly string[] = KIND_KEYS.map((kind) => KIND_ENTRIES[kind].table);

/** What a record is called, in a sentence. */
export const calledOf = (kind: Kind, values: Record<string, unknown>): string =>
  (KIND_ENTRIES[kind].called as (values: Record<string, unknown>) => string)(values);

/** Fields of a kind that only a consultant writes, with what they are called. */
export const judgedOf = (kind: Kind): Readonly<Record<string, string>> => KIND_ENTRIES[kind].judged ?? {};

/** A record without what only a consultant writes. */
export function withoutJudged(kind: Kind, values: Record<string, unknown>): Record<string, unknown> {
  const judged = judgedOf(kind);
  return Object.fromEntries(Object.entries(values).filter(([field]) => !(field in judged)));
}
