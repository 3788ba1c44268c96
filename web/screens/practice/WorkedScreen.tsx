'use client';

import { percent, writeLengths } from '@undrel/core/units';
import { LEAST_JUDGED } from '@undrel/core/practice';
import { ANSWER_WORDS, type Answer } from '@undrel/core/recovery';
import { PageLink } from '@/ui/PageLink';
import type { FirmRecord } from '../../protocol/time';
import { usePreferences } from '../shell/preferences';
import { PracticeBar } from './PracticeBar';

/** How often each remedy worked over all trees of the firm; what failed stands as plainly as what worked. */
export function WorkedScreen({ record }: { record: FirmRecord }) {
  const { records, trees } = record;
  const { units: system } = usePreferences();
  return (
    <div className="min-h-dvh">
      <PracticeBar part="What worked" />
      <main className="px-4 lg:px-8 py-4 max-w-[1000px] mx-auto">
        <h1>What worked</h1>
        <p className="text-lg my-2" data-testid="worked-summary">
          {trees === 0
            ? 'No tree was treated yet.'
            : `${trees} treated ${trees === 1 ? 'tree' : 'trees'}: ${counted(record.answers)}.`}
        </p>
        <p className="text-muted">
          A rate is given once {LEAST_JUDGED} trees have been judged, with its 90% range. A tree that had
          several works done counts with each of them.
        </p>
        <ul className="mt-4 border-t-[1.5px] border-ink">
          {records.map((r) => (
            <li key={r.operation} className="border-b border-ink py-3" aria-label={r.done}>
              <p className="flex flex-wrap items-baseline gap-x-4">
                <strong className="text-lg">{r.done.charAt(0).toUpperCase() + r.done.slice(1)}</strong>
                <span className="num">
                  {r.trees} {r.trees === 1 ? 'tree' : 'trees'}
                </span>
                <span>
                  {r.worked
                    ? `worked on ${percent(r.worked.share)} of ${r.judged} judged (${percent(r.worked.lower)} to ${percent(r.worked.upper)})`
                    : `${r.judged === 0 ? 'none' : r.judged} judged so far: too few for a rate`}
                </span>
              </p>
              <p className="text-muted">{counted(r.answers)}</p>
              {r.failed.map((f) => (
                <p key={f.id} className="text-harm">
                  <PageLink href={`/trees/${f.id}/time`}>{f.label}</PageLink>: {writeLengths(f.text, system)}
                </p>
              ))}
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}

/** How many trees stand how, without those of which there is none. */
const counted = (answers: Readonly<Record<Answer, number>>): string =>
  (Object.keys(ANSWER_WORDS) as Answer[])
    .flatMap((answer) => (answers[answer] > 0 ? `${answers[answer]} ${ANSWER_WORDS[answer]}` : []))
    .join(', ');
