'use client';

import { percent, writeLengths } from '@undrel/core/units';
import { LEAST_JUDGED } from '@undrel/core/practice';
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
            : `${trees} treated ${trees === 1 ? 'tree' : 'trees'}: ${sum(record, 'answered')} recover, ${sum(record, 'declines') + sum(record, 'unanswered')} do not, of the others it is not known yet.`}
        </p>
        <p className="text-muted">
          A share is given from {LEAST_JUDGED} judged trees on, with 90% of its chance. Works done together
          are counted with each.
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
                    ? `worked at ${percent(r.worked.share)} (${percent(r.worked.lower)} to ${percent(r.worked.upper)}) of ${r.judged} judged`
                    : `${r.judged} judged: too few for a share`}
                </span>
              </p>
              <p className="text-muted">
                {r.answers.answered} recover, {r.answers.declines} worse, {r.answers.unanswered} without
                answer, {r.answers.awaited} awaited, {r.answers.untold} not told.
              </p>
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

/** Trees of an answer, each once: what was done together is not counted twice. */
const sum = ({ answers }: FirmRecord, answer: keyof FirmRecord['answers']): number => answers[answer];
