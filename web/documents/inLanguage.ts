import type { Drawing } from '../drawings/shapes';
import { longDaysIn } from './dates';
import type { Block, ReadDocument } from '../protocol/document';
import type { Language } from '../language/languages';
import { figuresIn } from '../language/figures';
import type { Say } from '../language/translate';

/** Columns that hold what somebody called something. */
const NAMED: ReadonlySet<string> = new Set(['tree', 'species', 'root', 'roots']);

/** What the trees of a document are called, by its tables. */
const treesIn = ({ sections }: ReadDocument): string[] =>
  sections.flatMap(({ blocks }) =>
    blocks.flatMap((b) =>
      b.as === 'table' ? b.rows.flatMap((row) => row.filter((_, i) => b.head[i] === 'tree')) : [],
    ),
  );

const FOR = { de: ', für ' };

/**
 * A document in another language. Names, numbers of reports and what the consultant wrote stay as they are; a text that is
 * not known stays English.
 *
 * @param given texts that are the consultant's own
 * @param missed told each text that is not known
 */
export function documentInLanguage(
  doc: ReadDocument,
  language: Exclude<Language, 'en'>,
  say: Say,
  given: ReadonlySet<string> = new Set(),
  missed: (text: string) => void = () => undefined,
): ReadDocument {
  const own = new Set([...given, ...treesIn(doc)]);
  const locale = { de: 'de-DE' }[language];
  const written = (text: string): string => longDaysIn(figuresIn(text, locale), locale);
  const said = (text: string): string => {
    if (text.trim() === '' || own.has(text)) return text;
    if (text.includes('\n')) return text.split('\n').map(said).join('\n');
    const known = say(text);
    if (known === undefined && /\p{L}{2}/u.test(text)) missed(text);
    return written(known ?? text);
  };
  /** A cell may be a name. */
  const cell = (text: string): string => (own.has(text) ? text : written(say(text) ?? text));
  const drawn = (drawing: Drawing): Drawing => ({
    ...drawing,
    shapes: drawing.shapes.map((s) => (s.as === 'text' ? { ...s, text: cell(s.text) } : s)),
  });
  /** An annex may be called after a tree. */
  const titled = (title: string): string => {
    const [, annex, number, about] = /^(Annex) (\d+): (.+)$/.exec(title) ?? [];
    return annex ? `${said(annex)} ${number}: ${said(about!)}` : said(title);
  };
  const block = (b: Block): Block => {
    switch (b.as) {
      case 'text':
      case 'heading':
        return { ...b, text: said(b.text) };
      case 'pairs':
        return {
          ...b,
          rows: b.rows.map((r) => ({
            ...r,
            name: said(r.name),
            value: said(r.value),
            ...(r.small && { small: said(r.small) }),
          })),
        };
      case 'table':
        return {
          ...b,
          label: said(b.label),
          head: b.head.map(said),
          rows: b.rows.map((row) => row.map((text, i) => (NAMED.has(b.head[i]!) ? text : cell(text)))),
        };
      case 'list':
        return { ...b, ...(b.title && { title: said(b.title) }), lines: b.lines.map(said) };
      case 'figure':
        return { ...b, title: said(b.title), caption: said(b.caption), drawing: drawn(b.drawing) };
      case 'pictures':
        return { ...b, pictures: b.pictures.map((p) => ({ ...p, caption: said(p.caption) })) };
    }
  };
  return {
    ...doc,
    language,
    stamp: said(doc.stamp),
    foot: written(say(doc.foot) ?? doc.foot),
    // Of the names in the head only the word between them is said.
    lines: doc.lines.map((line) => written(say(line) ?? line.replace(/, for (?=[^,]+$)/, FOR[language]))),
    sections: doc.sections.map((s) => ({ ...s, title: titled(s.title), blocks: s.blocks.map(block) })),
  };
}
