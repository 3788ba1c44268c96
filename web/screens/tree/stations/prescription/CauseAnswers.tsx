import type { CauseAnswer } from '@undrel/core/prescription';

const ANSWERED: Record<CauseAnswer['by'], string> = {
  prescribed: 'answered by the work',
  open: 'to consider',
  declined: 'declined',
  nothing: 'left, with the reason',
};

/** What is thought to be wrong, and what is done about each of it. It stands below what is ticked, which it follows. */
export function CauseAnswers({
  answers,
  say,
}: {
  answers: readonly CauseAnswer[];
  say: (text: string) => string;
}) {
  const counts = (Object.keys(ANSWERED) as CauseAnswer['by'][]).flatMap((by) => {
    const count = answers.filter((a) => a.by === by).length;
    return count > 0 ? [`${count} ${ANSWERED[by]}`] : [];
  });
  return (
    <section id="each-cause" aria-labelledby="each-cause-head" className="mt-5">
      <h2 id="each-cause-head">What is done about each cause</h2>
      <p className="text-muted">
        {answers.length > 0
          ? `${counts.join(', ')}.`
          : 'No cause is possible or likely from what was examined.'}
      </p>
      <dl className="grid gap-x-4 sm:grid-cols-[minmax(12rem,2fr)_5fr]">
        {answers.map(({ node, label, certainty, by, text }) => (
          <div key={node} className="contents">
            <dt className="pt-1 font-semibold">
              {label} <span className="font-normal text-muted">{certainty}</span>
            </dt>
            <dd className={by === 'prescribed' ? 'sm:pt-1' : 'text-muted sm:pt-1'}>{say(text)}</dd>
          </div>
        ))}
      </dl>
    </section>
  );
}
