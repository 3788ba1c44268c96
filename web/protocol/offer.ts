import type { Drawing } from '../drawings/shapes';
import type { Language } from '../language/languages';
import type { Paper } from './document';
import type { ReportPicture } from './report';

/** One option as a client reads it: every figure already text. */
export interface OfferOption {
  key: string;
  title: string;
  what: string;
  now: string;
  years: string;
  chance: string;
  lost: string;
  decide: string;
}

/** What a client is shown behind a link, word for word; what they approve is the hash of this. */
export interface OfferContent {
  firm: string;
  property: string;
  client: string;
  tree: string;
  species: string;
  visitDate: string;
  made: string;
  /** By whose habit days are written; links made before it have them as numbers. */
  paper?: Paper;
  /** English where it does not say. */
  language?: Language;
  verdict: string;
  /** What comes first where the tree may fall. */
  danger?: string;
  options: OfferOption[];
  /** The treatment in steps, each with what it is. */
  steps: { title: string; text: string; when: string }[];
  stages: { title: string; sum: string }[];
  /** Anything that the sums leave out. */
  notes: string[];
  cautions: string[];
  before: Drawing;
  after?: Drawing;
  /** Photographs of the tree; links made before they were shown have none. */
  pictures?: ReportPicture[];
}

/** A link as the firm sees it. */
export interface OfferHead {
  id: string;
  sha256: string;
  made: string;
  by: string | null;
  expires: string;
  state: 'open' | 'expired' | 'revoked' | 'approved';
  approved?: { option: string; title: string; name: string; on: string; note: string | null };
}

/** How long a link may stay open, days. */
export interface OfferDays {
  least: number;
  usual: number;
  most: number;
}

/** An offer that a client may read. */
export interface OpenOffer {
  state: 'open' | 'approved';
  content: OfferContent;
  sha256: string;
  expires: string;
  approved?: { option: string; name: string; on: string };
}

/** What is behind a client's link. */
export type OfferShown = OpenOffer | { state: 'expired' | 'revoked' | 'unknown' };
