import { isNews, STATE_WORDS, type Remembered, type State } from '@undrel/core/memory';

/** What asks for something today. */
const PRESSING: readonly State[] = ['back', 'acting', 'unanswered', 'open'];

/** What earlier visits found, what was done about it, and how it stands today. */
export function FoundBefore({ memory }: { memory: readonly Remembered[] }) {
  if (memory.length === 0) return null;
  return (
    <section className="mt-5" aria-labelledby="found-before">
      <h2 id="found-before">Found before</h2>
      <ul className="border-t border-hair">
        {memory.map(({ node, label, state, text }) => (
          <li key={node} className="border-b border-hair py-1.5">
            <span className="flex items-baseline justify-between gap-3">
              <strong>{label}</strong>
              <span className={PRESSING.includes(state) ? 'font-bold text-harm' : 'font-semibold'}>
                {STATE_WORDS[state]}
              </span>
            </span>
            <span className="block text-sm">{text}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What came back, and what was treated so lately that recovery is awaited: before the causes of today. */
export function News({ memory }: { memory: readonly Remembered[] }) {
  return memory.filter(isNews).map(({ node, label, text }) => (
    <p key={node} className="told my-2">
      <strong>{label}.</strong> {text}
    </p>
  ));
}
