import { createHash, randomUUID } from 'node:crypto';
import { VERDICT_ENGINE, reweigh, tableFor, type FirmTable, type Verdict } from '@undrel/core/diagnosis';
import { PRESCRIPTION_ENGINE } from '@undrel/core/prescription';
import type { Tree, TreeEvent } from '@undrel/core/casefile';
import type { UnitSystem } from '@undrel/core/units';
import type { ReportContent, ReportHead, Wording, WeighedAgain } from '../../protocol/report';
import { itemsBelow, visitFrom } from '../../protocol/item';
import type { Viewer } from '../accounts/session';
import { loadFirm } from '../accounts/firm';
import { FIRM } from '../accounts/sql';
import { loadCase } from '../cases/load';
import type { Db } from '../database/transaction';
import { reportContent, type ReportSource } from './content';
import { reportPdf } from './setDocument';
import { referenceGround, referenceShoots } from '../cases/reference';
import * as sql from './sql';
import { assessed } from '../assessed';

export interface Draft {
  source: ReportSource;
  treeId: string;
  visitId: string;
  head: ReportHead | undefined;
}

/** Everything a report of a visit is made from, with its draft where there is one; undefined when there is no such visit. */
export async function openDraft(
  db: Db,
  viewer: Viewer,
  treeId: string,
  visitId: string | undefined,
  system: UnitSystem,
): Promise<Draft | undefined> {
  const loaded = await loadCase(db, treeId);
  if (!loaded) return undefined;
  const visits = itemsBelow(loaded.items, 'visit', treeId).sort((a, b) =>
    b.values.date.localeCompare(a.values.date),
  );
  const visit = visitId === undefined ? visits[0] : visits.find((v) => v.id === visitId);
  if (!visit) return undefined;
  const head = await db.row<ReportHead>(sql.DRAFT_OF, [visit.id]);
  const client = await db.row<{ client: string }>(sql.CLIENT_OF_TREE, [treeId]);
  return {
    treeId,
    visitId: visit.id,
    head,
    source: {
      tree: loaded.items.find((i) => i.kind === 'tree')!.values as Tree,
      events: itemsBelow(loaded.items, 'event', treeId).map((e) => e.values as TreeEvent),
      visit: visitFrom(loaded.items, visit),
      visits: visits.map((v) => visitFrom(loaded.items, v)),
      property: loaded.property.name,
      client: client?.client ?? '',
      firm: viewer.firmName,
      schools: loaded.firmSchools,
      table: loaded.firmTable,
      beside: {
        shoots: (await referenceShoots(db, loaded.treeId))?.series,
        weather: loaded.weather,
      },
      site: loaded.site,
      closed: loaded.closed,
      referenceLogs: (await referenceGround(db, loaded.treeId))?.logs,
      wording: head?.wording ?? {},
      rates: (await loadFirm(db)).rates ?? undefined,
      system,
    },
  };
}

export type Worded =
  { ok: true; id: string; version: number } | { ok: false; theirs: ReportHead | undefined };

/** Saves the consultant's words; a stale write is refused with what stands now. */
export async function saveWording(
  db: Db,
  visitId: string,
  id: string | undefined,
  version: number,
  wording: Wording,
): Promise<Worded> {
  const present = await db.row<ReportHead>(sql.DRAFT_OF, [visitId]);
  if (!present && id === undefined) {
    const fresh = randomUUID();
    const row = await db.row<{ version: number }>(sql.ADD_DRAFT, [fresh, visitId, JSON.stringify(wording)]);
    return { ok: true, id: fresh, version: row!.version };
  }
  if (id === undefined || present?.id !== id) return { ok: false, theirs: present };
  const row = await db.row<{ version: number }>(sql.SET_WORDING, [id, JSON.stringify(wording), version]);
  return row
    ? { ok: true, id, version: row.version }
    : { ok: false, theirs: await db.row<ReportHead>(sql.DRAFT_OF, [visitId]) };
}

/** Issues the draft of a visit: fixes its content and PDF, hashes and numbers it. */
export async function issueReport(db: Db, draft: Draft): Promise<{ id: string; number: string }> {
  let { head } = draft;
  if (!head) {
    const made = await saveWording(db, draft.visitId, undefined, 0, {});
    if (!made.ok) throw new Error('The draft was changed meanwhile.');
    head = (await db.row<ReportHead>(sql.DRAFT_OF, [draft.visitId]))!;
  }
  const { source } = draft;
  const content = reportContent(source);
  const result = assessed(source.tree, source.events, source.visit, source.schools, source.table);
  const assessmentId = randomUUID();
  await db.rows(sql.ADD_ASSESSMENT, [
    assessmentId,
    draft.visitId,
    VERDICT_ENGINE,
    PRESCRIPTION_ENGINE,
    JSON.stringify(result.verdict),
    JSON.stringify(result.operations),
    source.table ? JSON.stringify(source.table) : null,
  ]);
  const firm = await db.row<{ report_prefix: string }>(FIRM);
  const issued = new Date().toISOString().slice(0, 10);
  const counter = await db.row<{ last: number }>(sql.NEXT_NUMBER, [Number(issued.slice(0, 4))]);
  const number = `${firm!.report_prefix}-${issued.slice(0, 4)}-${String(counter!.last).padStart(4, '0')}`;
  const pdf = await reportPdf(content, { number, issued });
  const sha256 = createHash('sha256').update(pdf).digest('hex');
  const done = await db.row(sql.ISSUE, [
    head.id,
    number,
    JSON.stringify(content),
    pdf,
    sha256,
    assessmentId,
    head.version,
  ]);
  if (!done) throw new Error('The draft was changed or issued meanwhile.');
  return { id: head.id, number };
}

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
