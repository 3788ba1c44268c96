import type { Block } from '../protocol/document';

export { textBlock as text } from '../protocol/document';

export const heading = (value: string): Block => ({ as: 'heading', text: value });

/** A table; none where it has no rows. */
export const table = (label: string, head: string[], widths: number[], rows: string[][]): Block[] =>
  rows.length === 0 ? [] : [{ as: 'table', label, head, widths, rows }];

/** What a reader must not miss. */
export const harm = (lines: readonly string[], title?: string): Block[] =>
  lines.length === 0 ? [] : [{ as: 'list', lines: [...lines], harm: true, ...(title && { title }) }];

export const list = (title: string, lines: readonly string[]): Block[] =>
  lines.length === 0 ? [] : [{ as: 'list', title, lines: [...lines] }];
