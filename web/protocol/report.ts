import { inHundredths, type Drawing } from '../drawings/shapes';
import type { DocumentPicture, Paper } from './document';
import type { Length } from './lengths';

export type ReportPicture = DocumentPicture;

/** The parts of a report that the consultant may word. */
export const WORDED_PARTS = [
  { key: 'opening', label: 'Opening', hint: 'Why you were called, who was there.' },
  {
    key: 'verdict',
    label: 'Verdict in your words',
    hint: 'Stands before the reasons; empty: the words for the client kept with the verdict.',
  },
  { key: 'closing', label: 'Closing', hint: 'What you ask the client to decide, and by when.' },
] as const;

/** What the consultant makes of a report: words of their own, and the parts that a letter or a short report goes without. */
export type Wording = Partial<Record<(typeof WORDED_PARTS)[number]['key'], string>> & {
  leave?: Partial<Record<Length, string[]>>;
};

export interface ReportOperation {
  /** The look that it waits for, and why; missing in reports issued before it was said. */
  lookFirst?: string;
  title: string;
  summary: string;
  wording?: string;
  why: string;
  quantities: { name: string; text: string; working: string }[];
  method: string[];
  cautions: string[];
  acceptance: string[];
  season: string;
  /** The day it is planned for; missing in older reports. */
  on?: string;
  schools: string[];
  /** What speaks against it, what is signed before it, and what follows; missing in older reports. */
  against?: string[];
  first?: string[];
  after?: string;
}

/** The dig in a report. */
export interface ReportDig {
  drawing: Drawing;
  headline: string;
  facts: { name: string; text: string }[];
  roots: { label: string; kind: string; across: string; ofBark: string; advice: string; reasons: string }[];
  cuts: { number: string; label: string; where: string; diameter: string; fromStem: string }[];
  never: string[];
  /** Share of the bark compressed, in these years, by what is done. */
  years: string[];
  forecast: { name: string; shares: string[] }[];
  forecastFrom: string;
  cautions: string[];
}

/** The agreed cut plan in a report, every figure already text. */
export interface ReportCuts {
  headline: string;
  /** Stage, year, roots, share of the root cross-section. */
  stages: string[][];
  /** Root, what becomes of it, why. */
  reasons: string[][];
  notes: string;
  /** Rules that the agreed plan breaks. */
  broken: string[];
}

/** Trenches in a report, every figure already text. */
export interface ReportTrenches {
  headline: string;
  drawing: Drawing;
  /** Number, bearing, from the bark to start and end, season, what ended it. */
  spokes: string[][];
  quantities: { name: string; text: string }[];
  /** Other ways on the same ground: name, opens, disturbs, why. */
  ways: string[][];
  order: string[];
  notes: string;
}

/** The ground in a report. */
export interface ReportSoil {
  headline: string;
  lines: string[];
  /** Holes of the soil probe and resistance by depth, where there are any. */
  drawing?: Drawing;
}

/** A report as it reads: every figure already text, so that screen, print and PDF say the same and an issued one stays as it was. */
export interface ReportContent {
  firm: string;
  property: string;
  client: string;
  tree: string;
  species: string;
  facts: string[];
  visitDate: string;
  visitor: string;
  clientSees: string;
  history: string[];
  wording: Wording;
  verdictSummary: string;
  /** What comes first where the tree may fall. */
  danger?: string;
  causes: { label: string; standing: string; mechanism: string; for: string[]; against: string[] }[];
  /** What led to what. This and the four after it are missing in reports issued before they were kept. */
  chain?: string[];
  /** What earlier visits found, and how it stands. */
  foundBefore?: string[];
  /** When growth fell, the events it followed, and the line of years where shoots were read. */
  since?: { text: string; drawing?: Drawing };
  /** The consultant's own first cause, where it is not that of the weighing. */
  opinion?: string;
  doubts?: string[];
  /** What would be looked at next. */
  checks?: string[];
  clientWords?: string;
  seen: { ask: string; answer: string }[];
  measured: { name: string; text: string; method: string }[];
  warnings: string[];
  drawing: Drawing;
  drawingAfter?: Drawing;
  dig?: ReportDig;
  cuts?: ReportCuts;
  soil?: ReportSoil;
  trenches?: ReportTrenches;
  pictures?: ReportPicture[];
  /** What of the prescribed operations does not go together. */
  clashes?: string[];
  /** What is done about each cause and mechanism that is possible or likely; reports issued before say nothing of it. */
  answers?: { label: string; certainty: string; text: string }[];
  prescribed: ReportOperation[];
  considered: { title: string; reason: string }[];
  /** Of these, what is worth weighing and not decided, and what was advised and decided against, by title. */
  undecided?: string[];
  declined?: string[];
  /** Whether it is worth it, in words; the options over ten years; what the treatment costs. Missing without rates. */
  worth?: string;
  options?: string[][];
  /** What is to be expected where nothing is done; reports issued before do not say it by itself. */
  ifNothing?: string;
  /** The tax that prices include, by its name. */
  tax?: string;
  estimate?: { title: string; rows: string[][] }[];
  estimateNotes?: string[];
  /** When, what, and what is signed before it. */
  schedule?: string[][];
  /** What is prescribed otherwise than on the visit before. */
  revision?: { since: string; changes: string[]; why: string[] };
  /** What was done on site. */
  work?: string[];
  lookAgain?: string;
  notExamined: string[];
  engines: string;
  /** Left out in reports issued before it was asked: A4. */
  paper?: Paper;
}

export interface ReportHead {
  id: string;
  version: number;
  wording: Wording;
  number: string | null;
  sha256: string | null;
  issued_at: string | null;
  issued_by: string | null;
}

/** A verdict weighed again with another table than it was made with. */
export interface WeighedAgain {
  then: string;
  now: string;
  summary: string;
  same: boolean;
}

/** A report with another drawing in place of each of its own. */
export function withDrawings(content: ReportContent, change: (drawing: Drawing) => Drawing): ReportContent {
  const { dig, soil, trenches, since, drawing, drawingAfter } = content;
  return {
    ...content,
    drawing: change(drawing),
    ...(drawingAfter && { drawingAfter: change(drawingAfter) }),
    ...(dig && { dig: { ...dig, drawing: change(dig.drawing) } }),
    ...(soil?.drawing && { soil: { ...soil, drawing: change(soil.drawing) } }),
    ...(trenches && { trenches: { ...trenches, drawing: change(trenches.drawing) } }),
    ...(since?.drawing && { since: { ...since, drawing: change(since.drawing) } }),
  };
}

/** As it is sent and kept. */
export const inShort = (content: ReportContent): ReportContent => withDrawings(content, inHundredths);

/** With places for its drawings and nothing in them: they are fetched by whoever shows it. */
export const withoutDrawings = (content: ReportContent): ReportContent =>
  withDrawings(content, (drawing) => ({ ...drawing, shapes: [] }));
