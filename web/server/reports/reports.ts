import { byDay } from '@undrel/core/vocabulary';
import { createHash, randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import { VERDICT_ENGINE, reweigh, tableFor, type FirmTable, type Verdict } from '@undrel/core/diagnosis';
import type { IssuedHere } from '@undrel/core/proof';
import { PRESCRIPTION_ENGINE } from '@undrel/core/prescription';
import type { Tree, TreeEvent } from '@undrel/core/records';
import type { UnitSystem } from '@undrel/core/units';
import { visitToJudge, withLaterDanger } from '@undrel/core/walk';
import type { ReportContent, ReportHead, Wording, WeighedAgain } from '../../protocol/report';
import { itemsBelow, visitFrom } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { beside, type Asker } from '../beside';
import { loadFirm } from '../accounts/firm';
import { loadCases } from '../cases/load';
import { withoutFirm, type Db } from '../database/transaction';
import { underNextNumber, type InFirm } from './numbering';
import type { ReportSource } from '../../work/tree/source';
import { filesFor } from '../pictures/forDocument';
import { reportPdf } from './setDocument';
import { referenceGround, referenceShoots } from '../cases/reference';
import * as sql from './sql';

export interface Draft {
  source: ReportSource;
  treeId: string;
  visitId: string;
  head: ReportHead | undefined;
}

/** Everything a report of a visit is made from, with its draft where there is one; undefined when there is no such visit. */
export const openDraft = async (
  db: Db,
  viewer: Viewer,
  treeId: string,
  visitId: string | undefined,
  system: UnitSystem,
): Promise<Draft | undefined> => (await openDrafts(db, viewer, [treeId], visitId, system))[0];

/**
 * The same for many trees in as many queries as for one; those without a visit are left out.
 *
 * @param visitId undefined for the visit that each tree is judged by
 */
export async function openDrafts(
  db: Db,
  viewer: Viewer,
  treeIds: readonly string[],
  visitId: string | undefined,
  system: UnitSystem,
): Promise<Draft[]> {
  const opened = (await loadCases(db, treeIds)).flatMap((loaded) => {
    const visits = itemsBelow(loaded.items, 'visit', loaded.treeId).sort((a, b) =>
      byDay(b.values.date, a.values.date),
    );
    const read = visits.map((v) => ({ id: v.id, visit: visitFrom(loaded.items, v) }));
    const all = read.map((r) => r.visit);
    // A walk-round replaces no prescription; what it saw of danger stands before it.
    const judged = visitToJudge(all);
    const visit = read.find((r) => (visitId === undefined ? r.visit === judged : r.id === visitId));
    return visit ? [{ loaded, all, visit }] : [];
  });
  if (opened.length === 0) return [];
  const trees = opened.map(({ loaded }) => loaded.treeId);
  const heads = await draftsOf(
    db,
    opened.map(({ visit }) => visit.id),
  );
  const shoots = await referenceShoots(db, trees);
  const ground = await referenceGround(db, trees);
  const rates = (await loadFirm(db)).rates ?? undefined;
  return opened.map(({ loaded, all, visit }) => {
    const { treeId } = loaded;
    const head = heads.get(visit.id);
    return {
      treeId,
      visitId: visit.id,
      head,
      source: {
        tree: loaded.items.find((i) => i.kind === 'tree')!.values as Tree,
        events: itemsBelow(loaded.items, 'event', treeId).map((e) => e.values as TreeEvent),
        visit: visitId === undefined ? withLaterDanger(visit.visit, all) : visit.visit,
        visits: all,
        property: loaded.property.name,
        client: loaded.client,
        firm: viewer.firmName,
        schools: loaded.house,
        table: loaded.firmTable,
        beside: { shoots: shoots.get(treeId)?.series, weather: loaded.house.weather },
        site: loaded.site,
        closed: loaded.closed,
        referenceLogs: ground.get(treeId)?.logs,
        wording: head?.wording ?? {},
        rates,
        system,
      },
    };
  });
}

/** The drafts that visits have, by visit. */
async function draftsOf(db: Db, visitIds: readonly string[]): Promise<Map<string, ReportHead>> {
  const rows = await db.rows<ReportHead & { visit_id: string }>(sql.DRAFTS_OF, [visitIds]);
  return new Map(rows.map(({ visit_id, ...head }) => [visit_id, head]));
}

const draftOf = async (db: Db, visitId: string): Promise<ReportHead | undefined> =>
  (await draftsOf(db, [visitId])).get(visitId);

export type Worded =
  | { ok: true; id: string; version: number }
  | { ok: false; theirs: ReportHead | undefined };

/** Saves the consultant's words; a stale write is refused with what stands now. */
export async function saveWording(
  db: Db,
  visitId: string,
  id: string | undefined,
  version: number,
  wording: Wording,
): Promise<Worded> {
  const present = await draftOf(db, visitId);
  if (!present && id === undefined) {
    const fresh = randomUUID();
    const row = await db.row<{ version: number }>(sql.ADD_DRAFT, [fresh, visitId, JSON.stringify(wording)]);
    return row
      ? { ok: true, id: fresh, version: row.version }
      : { ok: false, theirs: await draftOf(db, visitId) };
  }
  if (id === undefined || present?.id !== id) return { ok: false, theirs: present };
  const row = await db.row<{ version: number }>(sql.SET_WORDING, [id, JSON.stringify(wording), version]);
  return row ? { ok: true, id, version: row.version } : { ok: false, theirs: await draftOf(db, visitId) };
}

/** What is to be issued: the visit, and the draft that whoever asks was shown, where there was one. */
export interface ToIssue {
  treeId: string;
  visitId: string | undefined;
  draftId: string | undefined;
  system: UnitSystem;
}

export type Issued = { id: string; number: string };

/** Everything a report is made from, with a draft of its own in the database; or the report that was issued from it. */
async function draftToIssue(
  db: Db,
  viewer: Viewer,
  { treeId, visitId, draftId, system }: ToIssue,
): Promise<{ issued: Issued } | { draft: Draft & { head: ReportHead } } | { problem: string }> {
  const shown = draftId === undefined ? undefined : await db.row<IssuedReport>(sql.REPORT, [draftId]);
  if (shown?.number) return { issued: { id: shown.id, number: shown.number } };
  const draft = await openDraft(db, viewer, treeId, visitId, system);
  if (!draft) return { problem: 'The visit no longer exists.' };
  if (draft.head) return { draft: { ...draft, head: draft.head } };
  await db.rows(sql.ADD_DRAFT, [randomUUID(), draft.visitId, '{}']);
  const head = await draftOf(db, draft.visitId);
  return head ? { draft: { ...draft, head } } : { problem: 'The draft has already been issued.' };
}

/** The newest report of a visit, where it says exactly this. */
async function sameIssued(db: Db, visitId: string, content: ReportContent): Promise<Issued | undefined> {
  const newest = await db.row<Issued & { content: ReportContent }>(sql.NEWEST_ISSUED, [visitId]);
  const same = newest && isDeepStrictEqual(newest.content, JSON.parse(JSON.stringify(content)));
  return same ? { id: newest.id, number: newest.number } : undefined;
}

/**
 * Issues the draft of a visit: fixes its content and PDF, hashes and numbers it. Pressed again, it gives the same
 * report: that of the draft that was shown, or the newest one where it says the same.
 */
export async function issueReport(
  inFirm: InFirm,
  asker: Asker,
  wanted: ToIssue,
): Promise<Issued | { problem: string }> {
  const opened = await inFirm((db, viewer) => draftToIssue(db, viewer, wanted));
  if ('problem' in opened) return opened;
  if ('issued' in opened) return opened.issued;
  const { draft } = opened;
  const { source, visitId, head } = draft;
  const { content, verdict, operations, proof } = await beside('report', source, asker);
  const before = await inFirm((db) => sameIssued(db, visitId, content));
  if (before) return before;
  const files = await filesFor(inFirm, content.pictures);
  return underNextNumber<{ pdf: Uint8Array; sha256: string }, Issued>(
    inFirm,
    async (stamp) => {
      const { bytes: pdf } = await reportPdf({ content, stamp, files, proof }, asker);
      return { pdf, sha256: createHash('sha256').update(pdf).digest('hex') };
    },
    async (db) => {
      const now = await db.row<ReportHead>(sql.REPORT, [head.id]);
      return now?.number ? { id: now.id, number: now.number } : undefined;
    },
    async (db, { number }, { pdf, sha256 }) => {
      const assessmentId = randomUUID();
      await db.rows(sql.ADD_ASSESSMENT, [
        assessmentId,
        visitId,
        VERDICT_ENGINE,
        PRESCRIPTION_ENGINE,
        JSON.stringify(verdict),
        JSON.stringify(operations),
        source.table ? JSON.stringify(source.table) : null,
      ]);
      const kept = await db.row(sql.ISSUE, [
        head.id,
        number,
        JSON.stringify(content),
        pdf,
        sha256,
        assessmentId,
        head.version,
      ]);
      if (!kept) throw new DraftMoved();
      return { id: head.id, number };
    },
  ).catch((error: unknown) => {
    if (error instanceof DraftMoved)
      return { problem: 'The words of the draft have been changed since; check it, then issue it again.' };
    throw error;
  });
}

/** The draft has other words than those that were set: nothing of the transaction stays. */
class DraftMoved extends Error {}

export type IssuedReport = ReportHead & {
  content: ReportContent;
  tree_id: string;
  verdict: Verdict | null;
  judgements: FirmTable | null;
};

export const issuedReport = (db: Db, id: string): Promise<IssuedReport | undefined> =>
  db.row<IssuedReport>(sql.REPORT, [id]);

/** The verdict of an issued report weighed again, from its own findings, with the table in force now. */
export function weighedNow({ verdict, judgements }: IssuedReport): WeighedAgain | undefined {
  // Before the network there were scores, which cannot be weighed again.
  if (!verdict?.circumstances) return undefined;
  const now = reweigh(verdict, tableFor(judgements ?? undefined));
  return { then: verdict.table, now: now.table, summary: now.summary, same: now.summary === verdict.summary };
}
export const issuedOf = (db: Db, treeId: string): Promise<ReportHead[]> =>
  db.rows<ReportHead>(sql.ISSUED_OF_TREE, [treeId]);
export const storedPdf = (db: Db, id: string) =>
  db.row<{ pdf: Buffer; number: string }>(sql.REPORT_PDF, [id]);

/** Which report a file is, by its hash, whoever asks; undefined where it was not issued here. */
export const issuedHere = (sha256: string): Promise<IssuedHere | undefined> =>
  withoutFirm((db) => db.row<IssuedHere & Record<string, unknown>>(sql.ISSUED_HERE, [sha256]));
