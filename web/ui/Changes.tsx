import { inSentence } from '@undrel/core/vocabulary';
import type { PrescriptionChange } from '@undrel/core/prescription';

/** What differs, from and to. */
export function Changes(props: { changes: readonly PrescriptionChange[]; say: (text: string) => string }) {
  return (
    <ul className="list-disc pl-5">
      {props.changes.map((c, i) => (
        <li key={i}>
          {c.operation}, {inSentence(c.what)}:{' '}
          {c.from && <span className="text-muted">{props.say(c.from)}</span>}
          {c.from && c.to && ' → '}
          {c.to ? <span className="font-semibold">{props.say(c.to)}</span> : ' no longer'}
        </li>
      ))}
    </ul>
  );
}
