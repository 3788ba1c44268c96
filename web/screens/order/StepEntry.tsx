'use client';

import { PageLink } from '@/ui/PageLink';
import { NotedInput } from '../../ui/controls/NotedInput';
import { memo, useState } from 'react';
import type { Picture, WorkDone } from '@undrel/core/records';
import { formatQuantity, formatValue, writeLengths, type UnitSystem } from '@undrel/core/units';
import type { Living } from '../../protocol/item';
import type { OrderStep } from '../../protocol/order';
import { pictureWords } from '../../protocol/pictureWords';
import { Marked } from '../pictures/Marked';

const HOW: readonly { key: WorkDone['how']; label: string }[] = [
  { key: 'done', label: 'done' },
  { key: 'changed', label: 'changed' },
  { key: 'not done', label: 'not done' },
];

interface StepProps {
  step: OrderStep;
  done: WorkDone | undefined;
  /** Hold points before it that nobody has signed, in a row; empty where none is left. */
  unsigned: string;
  system: UnitSystem;
  disabled: boolean;
  by: string;
  today: string;
  /** Where the collar is photographed from its eight sides, and from how many it was. */
  pictures: { href: string; taken: number } | undefined;
  /** Photographs of this step, and where more are taken. */
  proof: { href: string; pictures: readonly Picture[] };
  onChange: (work: WorkDone | undefined, field: string) => void;
}

/** What stays the same while another step is ticked, so that a step is drawn anew for its own sake alone. */
type StepEntryProps = Omit<StepProps, 'pictures' | 'proof' | 'onChange'> & {
  treeId: string;
  visitId: string;
  /** Sides from which the collar was photographed. */
  taken: number;
  /** Photographs of the visit. */
  pictures: readonly Living<'picture'>[];
  record: (step: string, work: WorkDone | undefined, field: string) => void;
};

/** One line of the order: a point to sign, or a piece of work with what came of it. */
export const StepEntry = memo(function StepEntry(props: StepEntryProps) {
  const { treeId, visitId, taken, pictures, record, ...own } = props;
  const { step } = own;
  const onChange: StepProps['onChange'] = (work, field) => record(step.key, work, field);
  if ('hold' in step) return <Hold {...own} onChange={onChange} />;
  const href = `/trees/${treeId}/pictures?visit=${visitId}`;
  return (
    <Work
      {...own}
      onChange={onChange}
      pictures={step.operation === 'excavate' ? { href, taken } : undefined}
      proof={{
        href: `${href}&step=${step.key}`,
        pictures: pictures.map((p) => p.values).filter((p) => p.step === step.key),
      }}
    />
  );
});

const signature = (done: WorkDone) => `${done.on}${done.by ? `, ${done.by}` : ''}`;

function Hold({
  step,
  done,
  unsigned,
  disabled,
  by,
  today,
  onChange,
}: Omit<StepProps, 'pictures' | 'proof'>) {
  const text = 'hold' in step ? step.text : '';
  return (
    <li className="border-b border-hair py-2 flex flex-wrap items-center gap-x-4 gap-y-1 bg-wash px-3">
      <span className="flex-1 min-w-[14rem]">
        <strong>Stop.</strong> {text}
        {unsigned && !done && <span className="block text-sm">First to be done: {unsigned}.</span>}
      </span>
      {done ? (
        <>
          <span className="font-semibold text-todo">signed {signature(done)}</span>
          <button
            type="button"
            className="quiet"
            disabled={disabled}
            aria-label={`Undo: ${text}`}
            onClick={() => onChange(undefined, 'how')}
          >
            Undo
          </button>
        </>
      ) : (
        <button
          type="button"
          className="act"
          disabled={disabled || unsigned !== ''}
          aria-label={`Sign: ${text}`}
          onClick={() => onChange({ step: step.key, how: 'done', on: today, by }, 'how')}
        >
          Sign
        </button>
      )}
    </li>
  );
}

function Work({ step, done, unsigned, system, disabled, by, today, pictures, proof, onChange }: StepProps) {
  if (!('operation' in step)) return null;
  const say = (text: string) => writeLengths(text, system);
  const told = step.quantities.filter((q) => q.value > 0);
  const fresh = (how: WorkDone['how']): WorkDone => ({
    ...(done ?? { step: step.key, on: today, by }),
    step: step.key,
    how,
  });
  return (
    <li className="border-b border-ink py-3" aria-label={step.title}>
      <h3 className="text-lg font-bold">{step.title}</h3>
      {step.on && <p className="font-semibold">Planned for {step.on}</p>}
      {step.dateProblems.map((problem) => (
        <p key={problem} className="wrong my-1">
          {problem}
        </p>
      ))}
      <p>{say(step.text)}</p>
      {told.length > 0 && (
        <p className="num text-sm my-1">
          {told.map((q) => `${q.name} ${formatQuantity(q, system)}`).join(' · ')}
        </p>
      )}
      {step.sheet && (
        <PageLink href={step.sheet} className="min-h-[44px] inline-flex items-center no-print">
          Its sheet with the numbers
        </PageLink>
      )}
      <ul className="list-disc pl-5 wrong my-1">
        {step.cautions.map((c) => (
          <li key={c}>{say(c)}</li>
        ))}
      </ul>
      <details className="my-1">
        <summary className="min-h-[44px] inline-flex items-center cursor-pointer text-todo underline underline-offset-4">
          Method: {step.title.toLowerCase()}
        </summary>
        <ol className="list-decimal pl-6">
          {step.method.map((m) => (
            <li key={m}>{say(m)}</li>
          ))}
        </ol>
      </details>
      <p className="my-1">
        <strong>Done properly when:</strong> {step.acceptance.map(say).join(' ')}
      </p>
      {pictures && (
        <PageLink className="inline-flex items-center min-h-[44px]" href={pictures.href}>
          Pictures of the collar: {pictures.taken} of 8 sides
        </PageLink>
      )}
      <StepPictures proof={proof} />
      <StepDone
        title={step.title}
        disabled={disabled}
        unsigned={unsigned}
        done={done}
        onChange={onChange}
        fresh={fresh}
      />
      {unsigned && !done && <p className="text-sm mt-1">First sign: {unsigned}.</p>}
      {done && done.how !== 'done' && (
        <div className="mt-2 space-y-2">
          {done.how === 'changed' && <Amounts step={step} done={done} {...{ system, disabled, onChange }} />}
          <label className="block">
            <span className="block text-sm">{done.how === 'changed' ? 'What was different' : 'Why not'}</span>
            <input
              className="w-full"
              maxLength={2000}
              disabled={disabled}
              value={done.note ?? ''}
              onChange={(e) => onChange({ ...done, note: e.target.value || undefined }, 'note')}
            />
          </label>
        </div>
      )}
    </li>
  );
}

/** Units in which an amount is typed on site: those it is shown in. */
function Amounts(props: Pick<StepProps, 'step' | 'system' | 'disabled' | 'onChange'> & { done: WorkDone }) {
  const { step, done, system, disabled, onChange } = props;
  const [typed, setTyped] = useState<Record<string, string>>({});
  return (
    <div className="flex flex-wrap gap-3">
      {step.quantities.map((q) => {
        const one = formatValue(1, q.dimension, system, 1e-6);
        const [, per = '1', unit = ''] = /^(-?[\d.]+)\s*(.*)$/.exec(one) ?? [];
        const known = done.amounts?.find((a) => a.quantity === q.key)?.amount;
        const text =
          typed[q.key] ?? (known === undefined ? '' : String(Number((known * Number(per)).toFixed(3))));
        const value = text.trim() === '' ? undefined : Number(text.replace(',', '.')) / Number(per);
        const wrong = value !== undefined && !(value >= 0 && value <= 100_000);
        return (
          <label key={q.key}>
            <span className="block text-sm">
              {q.name}
              {unit && `, ${unit}`}
            </span>
            <NotedInput
              note={wrong && `${q.name}: “${text}” is no amount; 0 to 100 000.`}
              className="num w-32"
              inputMode="decimal"
              disabled={disabled}
              placeholder={formatQuantity(q, system).split(' ')[0]}
              value={text}
              onChange={(e) => {
                setTyped({ ...typed, [q.key]: e.target.value });
                const next =
                  e.target.value.trim() === ''
                    ? undefined
                    : Number(e.target.value.replace(',', '.')) / Number(per);
                if (next !== undefined && !(next >= 0 && next <= 100_000)) return;
                const others = (done.amounts ?? []).filter((a) => a.quantity !== q.key);
                const amounts = next === undefined ? others : [...others, { quantity: q.key, amount: next }];
                onChange({ ...done, amounts: amounts.length > 0 ? amounts : undefined }, `amount ${q.key}`);
              }}
            />
          </label>
        );
      })}
    </div>
  );
}

function StepPictures({ proof }: { proof: { href: string; pictures: readonly Picture[] } }) {
  return (
    <div className="flex flex-wrap items-center gap-2">
      {proof.pictures.map((p) => (
        <div key={p.hash} className="w-24 aspect-[4/3] border border-ink overflow-hidden">
          <Marked picture={p} about={pictureWords(p)} size="small" preserveAspectRatio="xMidYMid slice" />
        </div>
      ))}
      <PageLink className="inline-flex items-center min-h-[44px] no-print" href={proof.href}>
        Photograph this step
      </PageLink>
    </div>
  );
}

function StepDone({
  title,
  disabled,
  unsigned,
  done,
  onChange,
  fresh,
}: {
  title: string;
  disabled: boolean;
  unsigned: string;
  done: WorkDone | undefined;
  onChange: (work: WorkDone | undefined, field: string) => void;
  fresh: (how: WorkDone['how']) => WorkDone;
}) {
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1 mt-2">
      <div role="group" aria-label={`What came of ${title}`} className="flex">
        {HOW.map((option) => (
          <button
            key={option.key}
            type="button"
            disabled={disabled || (unsigned !== '' && option.key !== 'not done' && done === undefined)}
            aria-pressed={done?.how === option.key}
            className={`min-h-[44px] px-4 border border-muted -ml-px ${done?.how === option.key ? 'bg-ink text-sheet' : 'bg-sheet'}`}
            onClick={() => onChange(done?.how === option.key ? undefined : fresh(option.key), 'how')}
          >
            {option.label}
          </button>
        ))}
      </div>
      {done && <span className="text-sm text-muted">{signature(done)}</span>}
    </div>
  );
}
