/**
 * What is worked out beside the thread that answers requests: each export is one kind of work, asked for by its name
 * through `server/beside.ts`. Nothing here touches the database.
 */
import { highsSolver } from '@undrel/core/milp';
import highs from 'highs';
import { move } from 'piscina';
import { type CaseFile, readCase } from '@undrel/core/format';
import type { Operation } from '@undrel/core/prescription';
import type { Verdict } from '@undrel/core/diagnosis';
import type { WeatherPlace } from '@undrel/core/records';
import { assessCuts, missingForCuts, type CutAssessment, type CutsGiven } from '@undrel/core/pruning';
import { spellsOf, type Spell } from '@undrel/core/schedule';
import {
  readDays,
  readDaysJson,
  type ReadDays,
  type StationPlace,
  type WeatherDay,
  type WeatherUnits,
} from '@undrel/core/water';
import type { Labels } from '../work/paper/labelsPdf';
import { assessedOf } from '../work/tree/assessed';
import { newestGlance } from '../work/tree/loadedCase';
import { cutsGiven } from '../work/reports/cutsGiven';
import { readTrees } from '../work/readers/csv';
import { readDxf } from '../work/readers/dxf';
import { readPlan, type ReadPlan } from '../work/readers/geojson';
import { materialsOfTree } from '../work/property/materials';
import { propertyPageOf, propertyTextOf } from '../work/property/page';
import { waterOfTrees } from '../work/property/water';
import { readWeather } from '../work/readers/readWeather';
import { offerContent } from '../work/offers/content';
import { orderOf } from '../work/offers/order';
import { schoolsOf } from '../work/costs/schools';
import { workOfTree } from '../work/offers/treeWork';
import { worthOf } from '../work/costs/worth';
import { sealed } from '@undrel/core/proof';
import { reportContent } from '../work/reports/content';
import { filesProving, proofOf, type Proof } from '../work/reports/proof';
import type { ReportSource } from '../work/tree/source';
import type { ToWrite } from '../work/reports/written';
import { LANGUAGES, type Language } from '../language/languages';
import { noticeInLanguage, offerInLanguage } from '../work/reports/inLanguage';
import type { NoticeContent } from '../protocol/notice';
import type { OfferContent } from '../protocol/offer';
import type { Paper, PictureFiles, ReadDocument } from '../protocol/document';
import { causeFigures, treeSection } from '../work/reports/treeSection';
import { prescribedAt } from '../work/property/prescribed';
import { noticeOf } from '../work/property/notice';
import { treatedOf, treeTime } from '../work/tree/treeTime';
import { decoded } from '../work/readers/text';
import { LENGTHS } from '../protocol/lengths';
import { nothingTold } from './warm';

/** Gets a thread ready for what pages ask of it. */
export const readyForPages = (): void => void nothingTold();

/** Gets a thread ready to set reports in each length and language: once, whoever asks for it. */
export const readyForPapers = (): Promise<void> => (papersReady ??= setEach());
let papersReady: Promise<void> | undefined;

async function setEach(): Promise<void> {
  const content = nothingTold();
  for (const length of LENGTHS)
    for (const language of LANGUAGES) await reportPdf({ content, length, language });
}

export const glance = newestGlance;
export const property = propertyPageOf;
export const propertyText = propertyTextOf;
export const materials = materialsOfTree;
export const content = reportContent;
export const worth = (source: ReportSource) => worthOf(source, source.rates);
export const schools = (source: ReportSource) => schoolsOf(source, source.rates);
export const order = ({ source, treeId }: { source: ReportSource; treeId: string }) =>
  orderOf(source, source.closed ?? [], treeId);
export const cuts = cutsGiven;
export const treeWork = workOfTree;
export const water = waterOfTrees;
export const prescribed = prescribedAt;
export const spells = ({ place, known }: { place: StationPlace; known: readonly WeatherDay[] }): Spell[] =>
  spellsOf(place, known);
export const notice = noticeOf;
export const time = treeTime;
export const treated = treatedOf;
export const section = treeSection;
export const causes = causeFigures;
export const proving = filesProving;

/** What is missing for a cut plan, or all that it follows from. */
export const cutsToSolve = (source: ReportSource): { missing: string[]; given?: CutsGiven } => {
  const missing = missingForCuts(source.tree, source.visit.dig);
  const given = missing.length === 0 ? cutsGiven(source) : undefined;
  return { missing, ...(given && { given }) };
};

/** A report with the verdict and the operations that it rests on, and what proves it. */
export const report = async (
  source: ReportSource,
): Promise<{
  content: ReturnType<typeof reportContent>;
  verdict: Verdict;
  operations: Operation[];
  proof: Proof;
}> => {
  const { verdict, operations } = assessedOf(source);
  return { content: reportContent(source), verdict, operations, proof: await proofOf(source) };
};

/** What a client is to see, in their language; undefined where there is nothing to offer, since the firm has no rates. */
export const offer = ({
  source,
  made,
  language,
}: {
  source: ReportSource;
  made: string;
  language: Language;
}): OfferContent | undefined => {
  const sheet = worthOf(source, source.rates);
  return sheet.whole && offerInLanguage(offerContent(source, sheet, made), language);
};

/** What whoever mows and mulches is told, in their language. */
export const noticeFor = ({
  content,
  language,
}: {
  content: NoticeContent;
  language: Language;
}): NoticeContent => noticeInLanguage(content, language);

export const trees = readTrees;

export const plan = ({ bytes, dxf }: { bytes: Uint8Array; dxf: boolean }): ReadPlan => {
  const source = decoded(bytes);
  if (source === undefined) return { ok: false, problem: 'The file is not UTF-8 text; nothing was changed.' };
  return dxf ? readDxf(source) : readPlan(source);
};

/** Daily weather of a file, which is JSON where it begins as one. */
export const dailyWeather = ({ bytes, units }: { bytes: Uint8Array; units: WeatherUnits }): ReadDays => {
  const text = decoded(bytes);
  if (text === undefined) return { days: [], notes: [], problem: 'The file is not UTF-8 text.' };
  return /^\uFEFF?\s*[[{]/.test(text) ? readDaysJson(text, units) : readDays(text, units);
};
export const weather = ({ bytes, name, place }: { bytes: Uint8Array; name: string; place?: WeatherPlace }) =>
  readWeather(bytes, name, place);

export const caseFile = ({
  bytes,
  today,
}: {
  bytes: Uint8Array;
  today: string;
}): { ok: true; caseFile: CaseFile } | { ok: false; problem: string } => {
  const source = decoded(bytes);
  if (source === undefined)
    return { ok: false, problem: 'The file is not UTF-8 text; nothing was imported.' };
  const read = readCase(source, today);
  if (read.ok) return { ok: true, caseFile: read.caseFile };
  const told = read.problems
    .slice(0, 5)
    .map((p) => `${p.path}: ${(JSON.stringify(p.value) ?? 'absent').slice(0, 200)}: ${p.message}`);
  return { ok: false, problem: `Nothing was imported. ${told.join(' ')}` };
};

// What sets documents is large: it is loaded by the threads that need it alone.

/** A document, and the files of its pictures by their hash. */
interface ToSet {
  doc: ReadDocument;
  files?: PictureFiles;
  proof?: Proof;
}

/** A document as PDF, and how many pages it has. */
export const pdf = async ({
  doc,
  files,
  proof,
}: ToSet): Promise<{ bytes: Uint8Array<ArrayBuffer>; pages: number }> => {
  const { documentPdf } = await import('../work/reports/pdf');
  const { bytes, pages } = documentPdf(doc, files, proof);
  return { bytes: proof ? await sealed(bytes) : new Uint8Array(bytes), pages };
};

/** A report in one of its lengths as PDF, how many pages it has, and how often it was made shorter to fit them. */
export const reportPdf = async (
  asked: ToWrite,
): Promise<{ bytes: Uint8Array<ArrayBuffer>; pages: number; tight: number }> => {
  const { fitted } = await import('../work/reports/written');
  const { bytes, ...told } = fitted(asked);
  return { bytes: asked.proof ? await sealed(bytes) : new Uint8Array(bytes), ...told };
};

/** What a report says in one of its lengths, made shorter so often. */
export const reportDoc = async ({ asked, tight }: { asked: ToWrite; tight: number }): Promise<ReadDocument> =>
  (await import('../work/reports/written')).written(asked, tight);

/** A document as Markdown. */
export const markdown = async (doc: ReadDocument): Promise<string> =>
  (await import('../work/reports/markdown')).documentMarkdown(doc);

/** A document in the language of who reads it. */
export const read = async ({
  doc,
  language,
  named,
}: {
  doc: ReadDocument;
  language: Language;
  named?: readonly string[];
}): Promise<ReadDocument> => (await import('../work/reports/edition')).asRead(doc, language, named);

/** The crew order of a tree as PDF. */
export const orderSheet = async (source: ReportSource): Promise<Uint8Array<ArrayBuffer>> => {
  const { orderSheetPdf } = await import('../work/offers/orderSheet');
  return new Uint8Array(orderSheetPdf(source));
};

/** Labels of trees as PDF. */
export const labels = async (given: Labels): Promise<Uint8Array<ArrayBuffer>> => {
  const { labelsPdf } = await import('../work/paper/labelsPdf');
  return new Uint8Array(labelsPdf(given));
};

/** Marker cards as PDF. */
export const cards = async (paper: Paper): Promise<Uint8Array<ArrayBuffer>> => {
  const { cardsPdf } = await import('../work/paper/cardsPdf');
  return new Uint8Array(cardsPdf(paper));
};

/** A document as DOCX. */
export const docx = async ({ doc, files }: ToSet): Promise<Uint8Array<ArrayBuffer>> => {
  const { documentDocx } = await import('../work/reports/docx');
  return handedOver(await documentDocx(doc, files));
};

const solver = highs().then(highsSolver);
export const cutPlan = async (given: CutsGiven): Promise<CutAssessment> => assessCuts(given, await solver);

/** Bytes that are given to the asker in place of being copied. */
const handedOver = (bytes: Uint8Array): Uint8Array<ArrayBuffer> =>
  move(new Uint8Array(bytes)) as unknown as Uint8Array<ArrayBuffer>;
