import { createHash, randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { ReportStamp } from '../../documents/head';
import type { ReadDocument } from '../../protocol/document';
import type { Length } from '../../protocol/lengths';
import { LENGTHS } from '../../protocol/lengths';
import type { IssuedPropertyHead, IssueProgress } from '../../protocol/propertyWork';
import type { Asker } from '../beside';
import type { Db } from '../database/transaction';
import type { TreeSource } from '../../work/offers/treeWork';
import { underNextNumber, type InFirm } from './numbering';
import { proofOfTrees } from '../../work/reports/proof';
import { propertyIssue, type PropertyIssue } from './property';
import type { Grounds } from './propertyOverview';
import { readIn, setPdf } from './setDocument';
import type { Issued } from './reports';
import * as sql from './sql';

/** A document of a property under its number. */
const stamped = (doc: ReadDocument, { number, issued }: ReportStamp): ReadDocument => ({
  ...doc,
  stamp: `Report ${number}, issued ${issued}`,
  foot: `${number} · ${doc.title}`,
});

/** The newest report of a property, where every length of it says exactly this. */
async function sameIssued(
  db: Db,
  propertyId: string,
  documents: PropertyIssue['documents'],
): Promise<Issued | undefined> {
  const newest = await db.row<Issued & { documents: PropertyIssue['documents'] }>(sql.NEWEST_OF_PROPERTY, [
    propertyId,
  ]);
  const said = (docs: PropertyIssue['documents']): unknown =>
    JSON.parse(JSON.stringify(LENGTHS.map((length) => docs[length].sections)));
  return newest && isDeepStrictEqual(said(newest.documents), said(documents))
    ? { id: newest.id, number: newest.number }
    : undefined;
}

/**
 * Issues the report of a property: fixes the document of every length and its figures, numbers it in one row with the
 * reports of trees, and keeps the PDF of its full record with what proves each tree. Pressed again while nothing has
 * changed, it gives the same report. The asker's signal stops it before anything is kept.
 */
export async function* issuePropertyReport(
  inFirm: InFirm,
  grounds: Grounds,
  sources: readonly TreeSource[],
  asker: Asker,
): AsyncGenerator<IssueProgress> {
  const { documents, figures, proving } = yield* propertyIssue(grounds, sources, asker);
  const propertyId = grounds.page.id;
  const proof = await proofOfTrees(proving);
  const before = (db: Db) => sameIssued(db, propertyId, documents);
  const done =
    (await inFirm(before)) ??
    (await underNextNumber(
      inFirm,
      async (stamp) => {
        const under = Object.fromEntries(
          LENGTHS.map((length) => [length, stamped(documents[length], stamp)]),
        ) as PropertyIssue['documents'];
        const { bytes } = await setPdf(await readIn('en', under.record, asker), asker, proof);
        return { under, pdf: bytes, sha256: createHash('sha256').update(bytes).digest('hex') };
      },
      before,
      async (db, { number }, { under, pdf, sha256 }) => {
        const id = randomUUID();
        await db.rows(sql.ADD_PROPERTY_REPORT, [
          id,
          propertyId,
          number,
          JSON.stringify(under),
          figures,
          pdf,
          sha256,
        ]);
        return { id, number };
      },
    ));
  yield 'problem' in done ? done : { issued: done };
}

export const issuedOfProperty = (db: Db, propertyId: string): Promise<IssuedPropertyHead[]> =>
  db.rows<IssuedPropertyHead & Record<string, unknown>>(sql.ISSUED_OF_PROPERTY, [propertyId]);

export type IssuedPropertyReport = IssuedPropertyHead & { document: ReadDocument };

/** An issued report of a property in one length. */
export const propertyReportIn = (
  db: Db,
  id: string,
  length: Length,
): Promise<IssuedPropertyReport | undefined> =>
  db.row<IssuedPropertyReport & Record<string, unknown>>(sql.PROPERTY_REPORT, [id, length]);

/** The figures of an issued report of a property. */
export const propertyFigures = (db: Db, id: string) =>
  db.row<IssuedPropertyHead & { figures: unknown } & Record<string, unknown>>(sql.PROPERTY_FIGURES, [id]);

/** The PDF of its full record, as it was hashed. */
export const storedPropertyPdf = (db: Db, id: string) =>
  db.row<{ pdf: Buffer; number: string }>(sql.PROPERTY_PDF, [id]);
