import {
  cutsSchema,
  decisionSchema,
  digHeadSchema,
  rootSchema,
  eventSchema,
  findingSchema,
  probeSchema,
  profileSchema,
  pushSchema,
  soilLogSchema,
  treeSchema,
  trenchSchema,
  visitSchema,
  workSchema,
} from '@undrel/core/case-schema';
import type { z } from 'zod';
import type { ItemKind } from '../../protocol/item';

/** How one kind of item is stored: its table, its parent, and the column of each field. */
interface ItemTable {
  table: string;
  parent: string;
  schema: z.ZodType;
  /** Field of the case format to column; a dot reaches into an object. */
  columns: Record<string, string>;
  json: readonly string[];
}

const visitHead = visitSchema.omit({
  findings: true,
  profiles: true,
  probes: true,
  decisions: true,
  trenches: true,
  cuts: true,
  pushes: true,
  soilLogs: true,
  work: true,
});

/** Every kind of item of a case. One place decides where a field lives; reading, writing and import all follow it. */
export const ITEM_TABLES: Record<ItemKind, ItemTable> = {
  tree: {
    table: 'trees',
    parent: 'property_id',
    schema: treeSchema,
    json: ['schools', 'crownSpread', 'worth'],
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
      'position.x': 'x',
      'position.y': 'y',
      reference: 'reference',
      schools: 'schools',
      worth: 'worth',
      note: 'note',
    },
  },
  event: {
    table: 'tree_events',
    parent: 'tree_id',
    schema: eventSchema,
    json: [],
    columns: { kind: 'kind', when: 'happened', note: 'note' },
  },
  visit: {
    table: 'visits',
    parent: 'tree_id',
    schema: visitHead,
    json: [],
    columns: {
      date: 'visited_on',
      by: 'visitor',
      note: 'note',
      'lookAgain.on': 'look_again_on',
      'lookAgain.why': 'look_again_why',
      drainCheck: 'drain_check',
      walk: 'walk',
      'opinion.cause': 'opinion_cause',
      'opinion.why': 'opinion_why',
      'labOrder.label': 'lab_label',
      'labOrder.sent': 'lab_sent',
      'labOrder.ready': 'lab_ready',
      clientWords: 'client_words',
    },
  },
  finding: {
    table: 'findings',
    parent: 'visit_id',
    schema: findingSchema,
    json: [],
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
    table: 'grade_profiles',
    parent: 'visit_id',
    schema: profileSchema,
    json: ['mulch', 'fill'],
    columns: { bearing: 'bearing', mulch: 'mulch', mulchEnds: 'mulch_ends', fill: 'fill' },
  },
  probe: {
    table: 'probe_points',
    parent: 'visit_id',
    schema: probeSchema,
    json: [],
    columns: { bearing: 'bearing', distance: 'distance', depth: 'depth', found: 'found', from: 'read_from' },
  },
  decision: {
    table: 'decisions',
    parent: 'visit_id',
    schema: decisionSchema,
    json: [],
    columns: { operation: 'operation', taken: 'taken', on: 'planned_on', wording: 'wording' },
  },
  dig: {
    table: 'digs',
    parent: 'visit_id',
    schema: digHeadSchema,
    json: ['radii', 'diameters', 'buttresses', 'decay', 'barriers'],
    columns: {
      radii: 'radii',
      diameters: 'diameters',
      buttresses: 'buttresses',
      decay: 'decay',
      barriers: 'barriers',
      measuredFrom: 'measured_from',
      north: 'north',
      declination: 'declination',
      pitRadius: 'pit_radius',
      note: 'note',
    },
  },
  root: {
    table: 'roots',
    parent: 'visit_id',
    schema: rootSchema,
    json: ['points', 'over', 'rings', 'done'],
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
      note: 'note',
      done: 'done',
    },
  },
  push: {
    table: 'pushes',
    parent: 'visit_id',
    schema: pushSchema,
    json: ['readings'],
    columns: {
      bearing: 'bearing',
      distance: 'distance',
      readings: 'readings',
      stopped: 'stopped',
      moisture: 'moisture',
      note: 'note',
    },
  },
  cuts: {
    table: 'cut_designs',
    parent: 'visit_id',
    schema: cutsSchema,
    json: ['limits', 'locks', 'agreed', 'days'],
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
  soilLog: {
    table: 'soil_logs',
    parent: 'visit_id',
    schema: soilLogSchema,
    json: ['layers'],
    columns: {
      place: 'place',
      bearing: 'bearing',
      distance: 'distance',
      layers: 'layers',
      refusal: 'refusal',
      oldGrade: 'old_grade',
      note: 'note',
    },
  },
  work: {
    table: 'work_done',
    parent: 'visit_id',
    schema: workSchema,
    json: ['amounts'],
    columns: { step: 'step', how: 'how', on: 'done_on', by: 'done_by', amounts: 'amounts', note: 'note' },
  },
  trenches: {
    table: 'trench_designs',
    parent: 'visit_id',
    schema: trenchSchema,
    json: ['locked', 'avoid'],
    columns: {
      holeRadius: 'hole_radius',
      'slope.fall': 'slope_fall',
      'slope.toward': 'slope_toward',
      locked: 'locked',
      avoid: 'avoid',
      marked: 'marked',
      'choice.remedy': 'choice_remedy',
      'choice.why': 'choice_why',
      note: 'note',
    },
  },
};

/** Defaults a column falls back to, so that an absent field and its default read the same. */
const EMPTY: Record<string, unknown> = { schools: {}, reference: false, mulch: [], fill: [] };

/** Column values of an item's fields, in the order of its columns. */
export function toColumns(kind: ItemKind, values: Record<string, unknown>): unknown[] {
  const { columns, json } = ITEM_TABLES[kind];
  return Object.keys(columns).map((field) => {
    const [head, tail] = field.split('.');
    const value = tail ? (values[head!] as Record<string, unknown> | undefined)?.[tail] : values[head!];
    const kept = value ?? EMPTY[field] ?? null;
    return json.includes(field) && kept !== null ? JSON.stringify(kept) : kept;
  });
}

/** Fields of an item from its columns by name; absent ones are left out, as in the case format. */
export const fromColumns = (kind: ItemKind, row: Record<string, unknown>): Record<string, unknown> =>
  fromList(
    kind,
    Object.values(ITEM_TABLES[kind].columns).map((column) => row[column]),
  );

/** The same from the values of its columns in their order. */
export function fromList(kind: ItemKind, row: readonly unknown[]): Record<string, unknown> {
  const values: Record<string, unknown> = {};
  const fields = Object.keys(ITEM_TABLES[kind].columns);
  for (let i = 0; i < fields.length; i++) {
    const field = fields[i]!;
    const value = row[i];
    if (value === null || value === undefined) continue;
    const optional =
      field === 'schools'
        ? Object.keys(value as object).length === 0
        : field === 'reference' && value === false;
    if (optional) continue;
    const [head, tail] = field.split('.');
    if (tail) values[head!] = { ...(values[head!] as object | undefined), [tail]: value };
    else values[head!] = value;
  }
  return values;
}
