import { useEffect, useState } from 'react';
import { withTerms, type Piece } from '@undrel/core/vocabulary';
import { useAlive } from '../../ui/controls/Entry';
import { Hinted } from '../../ui/Hinted';
import { Marked } from '../pictures/Marked';
import type { Block, ReadDocument } from '../../protocol/document';
import { withThinSpaces } from '../../documents/thinSpaces';
import { LENGTH_WORDS, type Length } from '../../protocol/lengths';
import type { Shortened } from './useShortened';
import type { ReportContent } from '../../protocol/report';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { documentIn, type InOther } from '../../documents/documentIn';
import type { Language } from '../../language/languages';

const TONES = {
  lead: 'text-xl leading-snug my-3',
  strong: 'text-lg font-bold my-2',
  muted: 'text-sm text-muted mt-1',
};

function Pairs({ rows }: Extract<Block, { as: 'pairs' }>) {
  return (
    <dl>
      {rows.map((row) => (
        <div
          key={row.name}
          className="grid sm:grid-cols-[40%_1fr] gap-x-4 border-b border-hair py-1 break-inside-avoid"
        >
          <dt>{row.name}</dt>
          <dd className="whitespace-pre-line">
            <span className={row.figure ? 'num font-bold' : ''}>{row.value}</span>
            {row.small && <span className="block text-sm text-muted">{row.small}</span>}
          </dd>
        </div>
      ))}
    </dl>
  );
}

/** Columns from which a table is scrolled sideways on a phone and not squeezed. */
const WIDE = 4;

function Columns({ label, head, rows }: Extract<Block, { as: 'table' }>) {
  return (
    <div className="overflow-x-auto my-2" tabIndex={0} role="region" aria-label={label}>
      <table className={`w-full ${head.length > WIDE ? 'min-w-[44rem]' : ''}`}>
        <thead>
          <tr>
            {head.map((h) => (
              <th key={h} scope="col">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row, i) => (
            <tr key={i}>
              {row.map((cell, k) => (
                <td key={k}>{cell}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function BlockView({ block, pieces }: { block: Block; pieces: readonly Piece[] | undefined }) {
  switch (block.as) {
    case 'text':
      return (
        <p className={`whitespace-pre-line ${block.tone ? TONES[block.tone] : 'my-1'}`}>
          {pieces ? <Hinted pieces={pieces} /> : block.text}
        </p>
      );
    case 'heading':
      return <h3 className="font-bold text-lg mt-4">{block.text}</h3>;
    case 'pairs':
      return <Pairs {...block} />;
    case 'table':
      return <Columns {...block} />;
    case 'list': {
      const List = block.ordered ? 'ol' : 'ul';
      return (
        <div className={`mt-2 break-inside-avoid ${block.harm ? 'wrong' : ''}`}>
          {block.title && <h4 className="font-semibold">{block.title}</h4>}
          <List className={`${block.ordered ? 'list-decimal' : 'list-disc'} pl-5`}>
            {block.lines.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </List>
        </div>
      );
    }
    case 'figure':
      return (
        <figure className="my-2">
          <DrawingSvg
            drawing={block.drawing}
            title={block.title}
            className="w-full h-auto border border-ink"
          />
          <figcaption className="text-sm text-muted">{block.caption}</figcaption>
        </figure>
      );
    case 'pictures':
      return (
        <ul className="grid sm:grid-cols-2 gap-4 my-2">
          {block.pictures.map((p) => (
            <li key={p.hash} className="break-inside-avoid">
              <figure>
                <div className="border border-ink" style={{ aspectRatio: `${p.width} / ${p.height}` }}>
                  <Marked picture={p} about={p.caption} size="page" />
                </div>
                <figcaption className="text-sm text-muted">{p.caption}</figcaption>
              </figure>
            </li>
          ))}
        </ul>
      );
  }
}

/** Paragraphs with the terms that they are the first to use. */
function hintsOf({ sections }: ReadDocument): Map<Block, Piece[]> {
  const known = new Set<string>();
  const paragraphs = sections.flatMap(({ blocks }) =>
    blocks.flatMap((block) => (block.as === 'text' ? [[block, withTerms(block.text, known)] as const] : [])),
  );
  return new Map(paragraphs);
}

/** Sections that a page has as it comes: they fill the screen. The others follow once it has come alive. */
const AT_FIRST = 2;

/** A document on the screen, and on paper from there. */
export function DocumentBody({ doc: given, engines }: { doc: ReadDocument; engines?: string }) {
  const alive = useAlive();
  const sections = alive ? given.sections : given.sections.slice(0, AT_FIRST);
  const doc = withThinSpaces({ ...given, sections }, 'screen');
  const hints = hintsOf(doc);
  return (
    <article className="max-w-[46rem]" aria-label="Report" lang={doc.language}>
      <header className="border-b-2 border-ink pb-2">
        <p className="text-muted">
          {doc.firm} · {doc.stamp}
        </p>
        <h1 className="!text-3xl">{doc.title}</h1>
        {doc.lines.map((line) => (
          <p key={line}>{line}</p>
        ))}
      </header>
      {doc.sections.map((section, i) => (
        <section
          key={i}
          className={i === 0 ? '' : 'mt-6 border-t border-ink pt-1.5 break-inside-auto'}
          aria-label={section.title}
        >
          <h2 className={i === 0 ? 'sr-only' : ''}>{section.title}</h2>
          {section.blocks.map((block, k) => (
            <BlockView key={k} block={block} pieces={hints.get(block)} />
          ))}
        </section>
      ))}
      {alive && engines && <p className="text-sm text-muted mt-6">Engines {engines}.</p>}
    </article>
  );
}

/** A report of a tree in one of its lengths; letter and report in one of their languages. */
export function ReportBody({
  content,
  length = 'record',
  language = 'en',
  number,
  issued,
  shortened,
}: {
  content: ReportContent;
  length?: Length;
  language?: Language;
  number?: string;
  issued?: string;
  /** See {@link useShortened}. */
  shortened: Shortened;
}) {
  const other = useOther(language);
  const stamp = number && issued ? { number, issued } : undefined;
  if (shortened === 'fitting')
    return (
      <p role="status" className="max-w-[46rem] min-h-[60vh] text-muted">
        Fitting it to {LENGTH_WORDS[length].pages} pages…
      </p>
    );
  return (
    <DocumentBody doc={documentIn(length, content, stamp, shortened, other)} engines={content.engines} />
  );
}

/** Who says texts in another language, once its messages are here; until then it is English. */
function useOther(language: Language): InOther | undefined {
  const [other, setOther] = useState<InOther | undefined>(undefined);
  useEffect(() => {
    let here = true;
    if (language === 'de')
      void import('../../language/german').then(({ GERMAN }) => here && setOther({ language, ...GERMAN }));
    return () => {
      here = false;
    };
  }, [language]);
  return other?.language === language ? other : undefined;
}
