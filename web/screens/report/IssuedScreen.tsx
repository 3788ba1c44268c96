'use client';

import { useState } from 'react';
import type { Language } from '../../language/languages';
import type { Length } from '../../protocol/lengths';
import type { ReportContent, WeighedAgain } from '../../protocol/report';
import { IssuedPage } from './IssuedPage';
import { ReportBody } from './ReportBody';
import { useShortened } from './useShortened';

/** An issued report of a tree. */
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
  const [language, setLanguage] = useState<Language>('en');
  const { id, number, issued, sha256, content, again } = props;
  const file = (format: string) =>
    `/api/reports/${id}/file?format=${format}&length=${length}&language=${language}`;
  const shortened = useShortened(length, file('json'));
  return (
    <IssuedPage
      of="tree"
      from={{ href: `/trees/${props.treeId}`, label: content.tree }}
      {...{ number, issued, sha256, length, language }}
      onLength={setLength}
      onLanguage={setLanguage}
      file={(format) =>
        length === 'record' && language === 'en' && format === 'pdf' ? `/api/reports/${id}/pdf` : file(format)
      }
      aside={
        again && (
          <p className="text-sm">
            Computed with the table of causes <span className="num">{again.then}</span>. From the same
            findings, the table in force now (<span className="num">{again.now}</span>) makes it
            {again.same ? ' the same.' : `: ${again.summary}`}
          </p>
        )
      }
    >
      <ReportBody {...{ content, length, language, number, issued, shortened }} />
    </IssuedPage>
  );
}
