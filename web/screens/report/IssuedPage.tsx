import type { ReactNode } from 'react';
import { longDay } from '../../documents/dates';
import type { Language } from '../../language/languages';
import type { Length } from '../../protocol/lengths';
import { PageLink } from '../../ui/PageLink';
import { PrintButton } from '../../ui/PrintButton';
import { useAlive } from '../../ui/controls/Entry';
import { TopBar } from '../shell/TopBar';
import { LanguageChoice } from './LanguageChoice';
import { LengthChoice } from './LengthChoice';

/** An issued report: fixed, numbered, with the hash of its PDF; prints as it stands. */
export function IssuedPage(props: {
  of: 'tree' | 'property';
  /** Where it belongs. */
  from: { href: string; label: string };
  number: string;
  /** ISO day. */
  issued: string;
  sha256: string;
  length: Length;
  onLength: (length: Length) => void;
  language: Language;
  onLanguage: (language: Language) => void;
  file: (format: 'pdf' | 'docx' | 'md' | 'json') => string;
  /** What else is to be said beside it. */
  aside?: ReactNode;
  children: ReactNode;
}) {
  const alive = useAlive();
  return (
    <div className="min-h-dvh">
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-2">
          <PageLink className="plain hidden sm:inline" href={props.from.href}>
            {props.from.label}
          </PageLink>
          <span aria-hidden="true" className="hidden sm:inline">
            ›
          </span>
          <strong>{props.number}</strong>
        </nav>
      </TopBar>
      <main className="grid lg:grid-cols-[minmax(0,1fr)_400px]">
        <div className="min-w-0 p-4 lg:p-8 bg-sheet order-2 lg:order-1">{props.children}</div>
        <aside
          className="no-print min-w-0 p-4 lg:p-6 order-1 lg:order-2 border-b-2 lg:border-b-0 lg:border-l-2 border-ink space-y-3"
          aria-label="Issued"
        >
          <h2>Issued {longDay(props.issued, 'A4')}</h2>
          <p>Fixed: it cannot be changed. A correction is a new report.</p>
          <LengthChoice of={props.of} length={props.length} disabled={!alive} onChange={props.onLength} />
          <LanguageChoice
            of={props.length}
            language={props.language}
            disabled={!alive}
            onChange={props.onLanguage}
          />
          <div className="flex flex-wrap gap-2">
            <a className="act" href={props.file('pdf')}>
              PDF
            </a>
            {(['docx', 'md', 'json'] as const).map((format) => (
              <a key={format} className="quiet" href={props.file(format)}>
                {format === 'md' ? 'Markdown' : format.toUpperCase()}
              </a>
            ))}
            <PrintButton className="quiet" />
          </div>
          {props.aside}
          <p>
            The English PDF of the full record proves itself: anybody can check it on the page{' '}
            <PageLink href="/verify">Verify a report</PageLink>.
          </p>
          <p className="text-sm">
            SHA-256 of that PDF
            <span className="num block break-all">{props.sha256}</span>
          </p>
        </aside>
      </main>
    </div>
  );
}
