import type { Dig, DugRoot } from './dig';
import { byLabel } from './labels';
import type { Site } from './trench';
import {
  CASE_FORMAT,
  CASE_VERSION,
  type CaseFile,
  type DepthReading,
  type Finding,
  type GradeProfile,
  type Tree,
  type TreeEvent,
  type Visit,
  type WeatherRecord,
} from './model';

/** Drops absent members, so that a case from the database and one from a file compare equal. */
function compact<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined && v !== null)) as T;
}

/** Members in the order of the format, whatever the store did to them. */
const reading = ({ distance, depth }: DepthReading): DepthReading => ({ distance, depth });
const profile = (p: GradeProfile): GradeProfile =>
  compact({ ...p, mulch: p.mulch.map(reading), fill: p.fill.map(reading) });

const byFinding = (a: Finding, b: Finding) => a.key.localeCompare(b.key) || (a.part ?? -1) - (b.part ?? -1);

/** The named members of a value in this order; absent ones stay away. */
const picked = <T extends object>(value: T | undefined, ...names: (keyof T)[]): T | undefined =>
  value && compact(Object.fromEntries(names.map((name) => [name, value[name]])) as T);
const eachPicked = <T extends object>(list: readonly T[] | undefined, ...names: (keyof T)[]) =>
  list?.map((value) => picked(value, ...names)!);

/** Members and roots of a dig in the order of the format, whatever the store did to them. */
const digInOrder = ({ roots, ...head }: Dig): Dig => ({
  ...compact({
    radii: eachPicked(head.radii, 'bearing', 'radius'),
    diameters: picked(head.diameters, 'bearing', 'along', 'across'),
    buttresses: eachPicked(head.buttresses, 'bearing', 'reach', 'width'),
    decay: eachPicked(head.decay, 'from', 'to', 'height', 'depth'),
    barriers: eachPicked(head.barriers, 'kind', 'diameter'),
    measuredFrom: head.measuredFrom,
    north: head.north,
    declination: head.declination,
    pitRadius: head.pitRadius,
    note: head.note,
  }),
  roots: roots.map(rootInOrder).sort((a, b) => byLabel(a.label, b.label)),
});

const rootInOrder = (root: DugRoot): DugRoot =>
  compact({
    label: root.label,
    kind: root.kind,
    start: root.start,
    from: root.from,
    points: eachPicked(root.points, 'bearing', 'distance', 'depth', 'diameter')!,
    over: root.over,
    condition: root.condition,
    contact: root.contact,
    embedded: root.embedded,
    leftPot: root.leftPot,
    farthest: root.farthest,
    rings: picked(root.rings, 'count', 'over'),
    note: root.note,
    done: picked(root.done, 'on', 'by', 'how', 'diameters', 'note'),
  });

/** The case in its canonical order: events and visits by date, findings by key and part, profiles by bearing. */
export function caseOf(
  tree: Tree,
  events: readonly TreeEvent[],
  visits: readonly Visit[],
  weather?: WeatherRecord,
  site?: Site,
): CaseFile {
  return {
    format: CASE_FORMAT,
    version: CASE_VERSION,
    tree: compact({
      ...tree,
      crownSpread: eachPicked(tree.crownSpread, 'bearing', 'radius'),
      worth: tree.worth && picked(tree.worth, 'currency', 'asIs', 'young'),
    }),
    events: events.map(compact).sort((a, b) => a.when.localeCompare(b.when) || a.kind.localeCompare(b.kind)),
    visits: visits
      .map(({ dig, trenches, cuts, pushes, soilLogs, work, decisions, ...visit }) =>
        compact({
          ...visit,
          findings: eachPicked(
            visit.findings,
            'key',
            'part',
            'answer',
            'number',
            'bearing',
            'height',
            'unsure',
            'note',
          )!.sort(byFinding),
          profiles: visit.profiles.map(profile).sort((a, b) => a.bearing - b.bearing),
          probes: visit.probes
            .map(compact)
            .sort((a, b) => a.bearing - b.bearing || a.distance - b.distance || a.depth - b.depth),
          decisions: decisions.map(compact).sort((a, b) => a.operation.localeCompare(b.operation)),
          dig: dig && digInOrder(dig),
          pushes: pushes
            ?.map((p) => ({
              ...picked(p, 'bearing', 'distance', 'readings', 'stopped', 'moisture', 'note')!,
              readings: eachPicked(p.readings, 'depth', 'pressure')!,
            }))
            .sort((a, b) => a.bearing - b.bearing || a.distance - b.distance),
          cuts: cuts && {
            ...picked(
              cuts,
              'stages',
              'interval',
              'limits',
              'windward',
              'target',
              'sensitive',
              'locks',
              'agreed',
              'days',
              'note',
            ),
            ...(cuts.limits && {
              limits: picked(
                cuts.limits,
                'stageLoss',
                'totalLoss',
                'anchorGap',
                'strictGap',
                'largest',
                'together',
                'nearDbh',
              )!,
            }),
            ...(cuts.locks && { locks: eachPicked(cuts.locks, 'label', 'hold', 'stage')! }),
            ...(cuts.agreed && { agreed: eachPicked(cuts.agreed, 'label', 'stage')! }),
            ...(cuts.days && { days: eachPicked(cuts.days, 'stage', 'on')! }),
          },
          soilLogs: soilLogs
            ?.map((log) => ({
              ...picked(log, 'place', 'bearing', 'distance', 'layers', 'refusal', 'oldGrade', 'note')!,
              layers: eachPicked(log.layers, 'to', 'colour', 'texture', 'moisture', 'smell', 'roots')!,
            }))
            .sort(
              (a, b) => a.place.localeCompare(b.place) || a.bearing - b.bearing || a.distance - b.distance,
            ),
          work: work
            ?.map((w) => ({
              ...picked(w, 'step', 'how', 'on', 'by', 'amounts', 'note')!,
              ...(w.amounts && { amounts: eachPicked(w.amounts, 'name', 'amount')! }),
            }))
            .sort((a, b) => a.step.localeCompare(b.step)),
          trenches: trenches && {
            ...picked(trenches, 'holeRadius', 'slope', 'locked', 'avoid', 'marked', 'choice', 'note'),
            ...(trenches.slope && { slope: picked(trenches.slope, 'fall', 'toward')! }),
            ...(trenches.choice && { choice: picked(trenches.choice, 'remedy', 'why')! }),
          },
        }),
      )
      .sort((a, b) => a.date.localeCompare(b.date)),
    ...(weather && {
      weather: { source: weather.source, seasons: eachPicked(weather.seasons, 'year', 'rain')! },
    }),
    ...(site && {
      site: {
        things: eachPicked(site.things, 'name', 'kind', 'shape', 'points')!,
        others: eachPicked(site.others, 'label', 'x', 'y', 'stemDiameter')!,
      },
    }),
  };
}
