'use client';

import { formatLength, shortUnit } from '@undrel/core/units';
import type { NOTICE_WORDS } from '../../language/clientWords';
import { speaker } from '../../language/clientWords';
import { localeOf, type Messages } from '../../language/languages';
import { figuresIn } from '../../language/figures';
import { longDaysIn } from '../../documents/dates';
import { paperOf } from '../../protocol/document';
import { DrawingSvg } from '../../drawings/DrawingSvg';
import { mulchNotice } from '../../drawings/mulchNotice';
import type { NoticeContent } from '../../protocol/notice';
import { usePreferences } from '../shell/preferences';

/** The notice as it is read and printed: one page. */
export function NoticeBody({ content: c, words }: { content: NoticeContent; words?: Messages | undefined }) {
  const t = speaker<(typeof NOTICE_WORDS)[number]>(words);
  const { units: system } = usePreferences();
  const day = (iso: string) => longDaysIn(iso, localeOf(c.language ?? 'en', paperOf(system)));
  const long = (m: number) =>
    figuresIn(formatLength(m, shortUnit(system), 0.005), localeOf(c.language ?? 'en', paperOf(system)));
  return (
    <article className="max-w-2xl" lang={c.language}>
      <p className="text-muted">
        {c.firm}, {day(c.made)}
      </p>
      <h1>{t('Mulching and mowing at the trees of {name}', { name: c.property })}</h1>
      <DrawingSvg
        drawing={mulchNotice(c.depth, c.clearance, system)}
        title={t('Mulch in a flat ring clear of the bark, and a cone on the bark crossed out')}
        className="w-full h-auto my-3"
      />
      <p className="text-lg">
        {t('Mulch lies flat, {m} thick, and ends {m2} before the bark.', {
          m: long(c.depth),
          m2: long(c.clearance),
        })}{' '}
        {t('Where there is too much it goes outward, not up.')}
      </p>
      <h2 className="mt-4">{t('Never')}</h2>
      <ul className="list-disc ml-5">
        {c.never.map((n) => (
          <li key={n}>{n}</li>
        ))}
      </ul>
      {c.trees.length > 0 && (
        <>
          <h2 className="mt-4">{t('Trees that were treated')}</h2>
          <p>
            {c.trees
              .map(
                (tree) =>
                  `${tree.label}${tree.noFoodUntil ? ` (${t('no fertiliser before {at}', { at: day(tree.noFoodUntil) })})` : ''}`,
              )
              .join(', ')}
            .
          </p>
        </>
      )}
      {c.nextCheck && (
        <p className="mt-4">
          <strong>{t('Next check: from {at} on.', { at: day(c.nextCheck) })}</strong>
        </p>
      )}
    </article>
  );
}
