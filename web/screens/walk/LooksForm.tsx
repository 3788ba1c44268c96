import { QUICK_LOOKS } from '@undrel/core/walk';
import type { Looks } from './looks';

/** The quick looks at one tree by thumb, and what goes on to the next. */
export function LooksForm({
  present,
  chosen,
  onLooks,
  onKeep,
  onSkip,
}: {
  /** All that is answered of today. */
  present: Looks;
  /** Of these, what was pressed since the tree was opened. */
  chosen: Looks;
  onLooks: (looks: Looks) => void;
  onKeep: (answers: Looks) => void;
  onSkip: () => void;
}) {
  const marked = Object.keys(present).length;
  const press = (question: string, answer: string) => {
    const { [question]: before, ...others } = chosen;
    onLooks(before === answer ? others : { ...chosen, [question]: answer });
  };
  return (
    <>
      <div className="px-4 pb-2 flex-1">
        {QUICK_LOOKS.map((question) => (
          <fieldset key={question.key} className="pt-1.5">
            <legend className="text-sm">{question.ask}</legend>
            <div className="grid grid-flow-col auto-cols-fr gap-1">
              {question.answers.map((answer) => {
                const on = present[question.key] === answer.key;
                return (
                  <button
                    key={answer.key}
                    type="button"
                    aria-pressed={on}
                    className={`min-h-[46px] px-1 leading-tight text-sm border ${on ? 'bg-ink text-sheet border-ink' : 'border-muted bg-sheet'}`}
                    onClick={() => press(question.key, answer.key)}
                  >
                    {answer.label}
                  </button>
                );
              })}
            </div>
          </fieldset>
        ))}
      </div>
      <div className="sticky bottom-0 bg-wash border-t-2 border-ink p-3 flex gap-2">
        <button
          type="button"
          className="act flex-1 !min-h-[54px]"
          onClick={() =>
            onKeep(Object.fromEntries(QUICK_LOOKS.map((q) => [q.key, present[q.key] ?? q.answers[0]!.key])))
          }
        >
          {marked === 0 ? 'Nothing wrong, next' : 'The rest is fine, next'}
        </button>
        <button
          type="button"
          className="quiet !min-h-[54px]"
          onClick={() => (marked > 0 ? onKeep(present) : onSkip())}
        >
          {marked > 0 ? 'Only these' : 'Skip'}
        </button>
      </div>
    </>
  );
}
