import { visitOf, type Kind, type Tree, type Values, type Visit } from '@undrel/core/records';
import { CAUSE_KEYS } from '@undrel/core/vocabulary';
import { duesOf } from '@undrel/core/schedule';
import { readCohort, SHARED_FAULTS, type CohortTree } from '@undrel/core/cohort';
import { circumstancesOf, priorsOf, tableFor } from '@undrel/core/diagnosis';
import { cohortTold, type CohortTold } from '@undrel/core/history';
import { isQuickLook, isWalk, triage, visitToJudge, withWalk, type Triage } from '@undrel/core/walk';
import type { CohortPage, TreeRow } from '../../protocol/grounds';
import { assessed, reweighed } from '../tree/assessed';
import { idIn, valuesIn, versionIn } from '../tree/items';
import type { PropertyPractice } from './practice';
import type { StoredList, StoredVisit } from './stored';

const valuesOf = <K extends Kind>(kind: K, lists: readonly StoredList[] = []): Values[K][] =>
  lists.map((list) => valuesIn(kind, list));

/** A tree of a property with what its newest visits come to. */
export interface Seen {
  row: TreeRow;
  cohortTree: CohortTree;
  told?: CohortTold;
}

/** A visit as far as a property reads it. */
const visitStored = (stored: StoredVisit): Visit =>
  visitOf(valuesIn('visit', stored.visit), <K extends Kind>(kind: K) =>
    valuesOf(kind, stored[kind as 'finding'] as StoredList[] | undefined),
  );

const looksIn = (lists: readonly StoredList[]) =>
  Object.fromEntries(
    lists.flatMap((list) => {
      const { key, answer } = valuesIn('finding', list);
      return isQuickLook(key) && answer !== undefined ? [[key, { answer, version: versionIn(list) }]] : [];
    }),
  );

export function seenTree(
  stored: StoredList,
  visits: readonly StoredVisit[],
  { house, judgements }: PropertyPractice,
  today: string,
): Seen {
  const tree = valuesIn('tree', stored);
  const id = idIn(stored);
  const row: Omit<TreeRow, 'triage'> = {
    id,
    version: versionIn(stored),
    label: tree.label,
    species: tree.species,
    commonName: tree.commonName,
    plantedYear: tree.plantedYear,
    stock: tree.stock,
    planter: tree.planter,
    cohort: tree.cohort,
    stemDiameter: tree.stemDiameter,
    height: tree.height,
    reference: tree.reference === true,
    x: tree.position?.x,
    y: tree.position?.y,
    error: tree.position?.error,
  };
  const none = { id, label: tree.label, probed: false, dug: false };
  const [newest] = visits;
  if (!newest) return { row: { ...row, triage: UNSEEN }, cohortTree: none };
  const read = visits.map((v) => ({ stored: v, visit: visitStored(v) }));
  const verdictOf = (visit: Visit) =>
    assessed(
      tree,
      valuesOf('event', newest.event),
      visit,
      house,
      judgements ?? undefined,
      read.map((r) => r.visit),
    );
  const table = tableFor(judgements ?? undefined);
  const { visit: last } = read[0]!;
  // A walk-round adds to the visit before it; else the newest visit stands alone.
  const full = visitToJudge(read.map((r) => r.visit))!;
  const { profile, verdict: ofFull } = verdictOf(full);
  const walked = full === last ? undefined : verdictOf(last).verdict;
  const verdict = walked
    ? reweighed(walked, withWalk(walked.evidence, ofFull.evidence), judgements ?? undefined)
    : ofFull;
  const earlier = walked ? full : read.map((r) => r.visit).find((v) => v !== full && !isWalk(v));
  const first = verdict.causes[0]!;
  const named = first.standing === 'likely' || first.standing === 'possible';
  const now = triage(verdict, table);
  const was = earlier && triage(walked ? ofFull : verdictOf(earlier).verdict, table);
  const looks = looksIn(newest.finding);
  const { visit: looked } = read.find((r) => Object.keys(looksIn(r.stored.finding)).length > 0) ?? {};
  return {
    row: {
      ...row,
      lastVisit: last.date,
      due: duesOf(read.map((r) => r.visit))[0]?.on,
      collarDepth: profile.collar?.depth.value,
      onBark: profile.mulch?.onBark.value,
      ...(named ? { cause: first.cause, causeLabel: first.label, standing: first.standing } : {}),
      triage: now,
      ...(was && was.urgency !== 'unseen' && (was.urgency !== now.urgency || was.action !== now.action)
        ? { before: { urgency: was.urgency, action: was.action, date: earlier!.date } }
        : {}),
      ...(last.date === today ? { today: { visitId: idIn(newest.visit), looks } } : {}),
      ...(looked ? { walked: looked.date } : {}),
    },
    cohortTree: { ...none, verdict, probed: full.probes.length > 0, dug: full.dig !== undefined },
    told: cohortTold(full.findings),
  };
}

const UNSEEN: Triage = {
  urgency: 'unseen',
  loss: 0,
  action: 'make the eight checks',
  why: 'nothing was examined',
};

/** What the trees of a confirmed cohort tell of each fault that came with the planting. */
export function cohortPage(
  name: string,
  trees: readonly Seen[],
  { house, judgements }: PropertyPractice,
  today: string,
): CohortPage {
  const members = trees.map((t) => t.cohortTree);
  const { stock, plantedYear, species } = trees[0]!.row;
  const priors = priorsOf(
    tableFor(judgements ?? undefined),
    circumstancesOf(
      { stock: stock as Tree['stock'], plantedYear, species },
      [],
      { date: today, findings: [] },
      house,
    ),
  );
  const told = trees.flatMap((t) => (t.told ? [t.told] : [])).sort((a, b) => b.planted - a.planted)[0];
  return {
    name,
    ...(told && { told }),
    readings: SHARED_FAULTS.map((fault) => {
      const { label, summary, pooled, digs, next, trees } = readCohort(
        members,
        fault,
        priors[CAUSE_KEYS.indexOf(fault)]!,
      );
      return {
        fault,
        label,
        summary,
        share: pooled.share,
        digs,
        next,
        trees: trees.map(({ id, label: of, chance, own, examined }) => ({
          id,
          label: of,
          chance,
          own,
          examined,
        })),
      };
    }).sort((a, b) => b.share.value - a.share.value),
  };
}
