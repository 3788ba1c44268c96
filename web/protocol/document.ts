import type { UnitSystem } from '@undrel/core/units';
import type { PictureMark } from '@undrel/core/records';
import type { Drawing } from '../drawings/shapes';

/** One piece of a document. Screen, PDF, DOCX and Markdown each know how to set it; none of them decides what is said. */
export type Block =
  | { as: 'text'; text: string; tone?: 'lead' | 'strong' | 'muted' }
  | { as: 'heading'; text: string }
  | { as: 'pairs'; rows: { name: string; value: string; small?: string; figure?: boolean }[] }
  | { as: 'table'; label: string; head: string[]; rows: string[][]; widths: number[] }
  | { as: 'list'; title?: string; lines: string[]; ordered?: boolean; harm?: boolean }
  | { as: 'figure'; drawing: Drawing; title: string; caption: string }
  | { as: 'pictures'; pictures: DocumentPicture[] };

/** A photograph in a document: what it shows, and marks over it. Its file is fetched by whoever sets it. */
export interface DocumentPicture {
  hash: string;
  /** Upright, pixels. */
  width: number;
  height: number;
  marks?: readonly PictureMark[];
  caption: string;
  /** One of two of the same spot that belong together. */
  beside?: 'before' | 'now';
}

/** Files of pictures by their hash, JPEG. */
export type PictureFiles = Readonly<Record<string, Uint8Array>>;

/** Sheet that a document is set for. */
export type Paper = 'A4' | 'letter';

/** Where measures are US ones, paper is too. */
export const paperOf = (system: UnitSystem): Paper => (system === 'us' ? 'letter' : 'A4');

export interface Section {
  /** By which a part that may be left out is known. */
  key?: string;
  title: string;
  blocks: Block[];
  /** Begins on a page of its own. */
  page?: boolean;
}

/** A document as it is read: the cover, then its sections. */
export interface ReadDocument {
  firm: string;
  /** `Report Q-2026-0004, issued 2026-05-07`, or that it is a draft. */
  stamp: string;
  title: string;
  lines: string[];
  /** What stands at the foot of every page. */
  foot: string;
  paper: Paper;
  /** Where it is not English. */
  language?: 'de';
  /** Begins with its head on the first page; otherwise a cover goes before it. */
  compact?: true;
  /** How many times it was made shorter so that it fits its pages. */
  shortened?: number;
  /** Names and texts that people wrote, where it is kept to be read in any language: they stay as they are. */
  own?: string[];
  sections: Section[];
}

/** A paragraph. */
export const textBlock = (value: string, tone?: 'lead' | 'strong' | 'muted'): Block => ({
  as: 'text',
  text: value,
  ...(tone && { tone }),
});
