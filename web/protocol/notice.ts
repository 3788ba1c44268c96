import type { Language } from '../language/languages';

/** What whoever mows and mulches is told, kept word for word. */
export interface NoticeContent {
  firm: string;
  property: string;
  client: string;
  made: string;
  /** English where it does not say. */
  language?: Language;
  /** How thick, and how far from the bark, m. */
  depth: number;
  clearance: number;
  /** Trees that were dug out or pruned at the root, and until when they are not fed. */
  trees: { label: string; noFoodUntil?: string }[];
  never: string[];
  /** Day of the next check, where one is due. */
  nextCheck?: string;
}

/** Cones found again where they had been taken off, by year. */
export interface RelapseYear {
  year: number;
  trees: string[];
  /** Who had the notice then, where anybody had. */
  contractors: string[];
}

/** A notice that was made, and what came of it. */
export interface NoticeHead {
  id: string;
  to: string;
  made: string;
  state: 'open' | 'received' | 'revoked';
  received: string | null;
  by: string | null;
}

export type NoticeShown =
  | {
      state: 'open' | 'received';
      to: string;
      content: NoticeContent;
      sha256: string;
      received?: { name: string; on: string };
    }
  | { state: 'revoked' | 'unknown' };
