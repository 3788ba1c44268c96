'use client';

import { type CauseKey, CAUSES } from '@undrel/core/vocabulary';
import { useState } from 'react';
import { clientWords, type Verdict } from '@undrel/core/diagnosis';
import { headOf } from '@undrel/core/records';
import { FieldNote } from '../../../../ui/controls/FieldNote';
import { Select } from '../../../../ui/controls/Select';
import type { StationProps } from '../../visitEntry';

/** The consultant's own first cause, with the reason; both are kept beside the weighing. */
export function Opinion({ control, visit, visitId, treeId, mayJudge }: StationProps) {
  const head = headOf(visit);
  const { opinion } = visit;
  const [cause, setCause] = useState<string>(opinion?.cause ?? '');
  const [why, setWhy] = useState(opinion?.why ?? '');
  const [wrong, setWrong] = useState(false);
  if (!mayJudge && !opinion) return null;
  if (!mayJudge)
    return (
      <p>
        The consultant puts first: {CAUSES[opinion!.cause as CauseKey].label.toLowerCase()}. {opinion!.why}
      </p>
    );
  const keep = (next: string, reason: string) => {
    setWrong(next !== '' && reason.trim() === '');
    if (next === '') {
      if (opinion) control.set('visit', visitId, treeId, { ...head, opinion: undefined });
    } else if (reason.trim() !== '')
      control.set('visit', visitId, treeId, {
        ...head,
        opinion: { cause: next as CauseKey, why: reason.trim() },
      });
  };
  return (
    <div>
      <Select
        label="I put another cause first"
        empty="no: the computed verdict stands"
        value={cause || undefined}
        options={Object.entries(CAUSES).map(([key, { label }]) => ({ key, label }))}
        onChange={(next = '') => {
          setCause(next);
          keep(next, why);
        }}
      />
      {cause !== '' && (
        <label className="block mt-2">
          <span className="text-sm">Why (kept with it, and shown in the report)</span>
          <FieldNote
            id="why-wrong"
            note={wrong && 'Why: empty. Give the reason in a sentence; until then it is not kept.'}
          >
            <textarea
              className="w-full"
              rows={2}
              value={why}
              aria-invalid={wrong || undefined}
              aria-describedby={wrong ? 'why-wrong' : undefined}
              placeholder={wrong ? 'Give the reason; until then it is not kept' : undefined}
              onChange={(event) => {
                setWhy(event.target.value);
                keep(cause, event.target.value);
              }}
            />
          </FieldNote>
        </label>
      )}
    </div>
  );
}

/** The paragraph for the client, made from the findings until it is written anew. */
export function ForTheClient(props: StationProps & { verdict: Verdict }) {
  const { control, tree, visit, visitId, treeId, mayJudge, verdict } = props;
  const head = headOf(visit);
  const made = clientWords(tree, { ...visit, clientWords: undefined }, verdict);
  const write = (words: string | undefined) =>
    control.set('visit', visitId, treeId, { ...head, clientWords: words || undefined });
  return (
    <label className="block">
      <span className="text-sm">
        {visit.clientWords
          ? 'Your words; the report takes them.'
          : 'Written from the findings; change what you like.'}
      </span>
      <textarea
        className="w-full"
        rows={6}
        disabled={!mayJudge}
        value={visit.clientWords ?? made}
        onChange={(event) => write(event.target.value)}
      />
      {visit.clientWords && mayJudge && (
        <button type="button" className="link min-h-[44px]" onClick={() => write(undefined)}>
          Back to the words made from the findings
        </button>
      )}
    </label>
  );
}
