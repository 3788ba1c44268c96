'use client';

import { useState } from 'react';
import { PageLink } from '@/ui/PageLink';
import type { Length } from '../../protocol/lengths';
import { useAlive } from '../../ui/controls/Entry';
import type { ReportContent, WeighedAgain } from '../../protocol/report';
import { TopBar } from '../shell/TopBar';
import { LengthChoice } from './LengthChoice';
import { ReportBody } from './ReportBody';

/** An issued report: fixed, numbered, with the hash of its PDF; prints as it stands. */
export function IssuedScreen(props: {
  id: string;
  treeId: string;
  number: string;
  issued: string;
  sha256: string;
  content: ReportContent;
  again: WeighedAgain | undefined;
}) {
  const [length, setLength] = useState<Length>('record');
  const alive = useAlive();
  const file = (format: string) => `/api/reports/${props.id}/file?format=${format}&length=${length}`;
  return (
    <div className="min-h-dvh">
      <TopBar>
        <nav aria-label="Where" className="flex items-baseline gap-2">
          <PageLink className="plain" href={`/trees/${props.treeId}`}>
            {props.content.tree}
          </PageLink>
          <span aria-hidden="true">›</span>
          <strong>{props.number}</strong>
        </nav>
      </TopBar>
      <main className="grid lg:grid-cols-[minmax(0,1fr)_400px]">
        <div className="min-w-0 p-4 lg:p-8 bg-sheet order-2 lg:order-1">
          <ReportBody content={props.content} length={length} number={props.number} issued={props.issued} />
        </div>
        <aside
          className="no-print min-w-0 p-4 lg:p-6 order-1 lg:order-2 border-b-2 lg:border-b-0 lg:border-l-2 border-ink space-y-3"
          aria-label="Issued"
        >
          <h2>Issued {props.issued}</h2>
          <p>Fixed: it cannot be changed. A correction is a new report.</p>
          <LengthChoice length={length} disabled={!alive} onChange={setLength} />
          <div className="flex flex-wrap gap-2">
            <a className="act" href={length === 'record' ? `/api/reports/${props.id}/pdf` : file('pdf')}>
              PDF
            </a>
            {['docx', 'md', 'json'].map((format) => (
              <a key={format} className="quiet" href={file(format)}>
                {format === 'md' ? 'Markdown' : format.toUpperCase()}
              </a>
            ))}
            <button type="button" className="quiet" onClick={() => window.print()}>
              Print
            </button>
          </div>
          {props.again && (
            <p className="text-sm">
              Weighed with the table of causes <span className="num">{props.again.then}</span>. From the same
              findings, the table in force now (<span className="num">{props.again.now}</span>) makes it
              {props.again.same ? ' the same.' : `: ${props.again.summary}`}
            </p>
          )}
          <p>
            The PDF of the full record proves itself: anybody can work it out anew on the page{' '}
            <PageLink href="/verify">Verify a report</PageLink>.
          </p>
          <p className="text-sm">
            SHA-256 of the PDF of the full record
            <span className="num block break-all">{props.sha256}</span>
          </p>
        </aside>
      </main>
    </div>
  );
}
