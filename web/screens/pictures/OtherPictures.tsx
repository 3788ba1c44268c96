'use client';

import { PageLink } from '../../ui/PageLink';
import { Marked } from './Marked';
import { OnTheirWay } from './OnTheirWay';
import { PlaceInReport } from './PlaceInReport';
import { pictureWords } from '../../protocol/pictureWords';
import type { Living } from '../../protocol/item';
import type { Adding } from './useAdding';

/** What else was taken, and what is on its way. */
export function OtherPictures({
  mayMeasure,
  adding,
  step,
  order,
  others,
  setOpen,
  places,
}: {
  mayMeasure: boolean;
  adding: Adding;
  /** The step that pictures added now prove, and where its order is. */
  step: string | undefined;
  order: string;
  others: readonly Living<'picture'>[];
  setOpen: (next: string | undefined) => void;
  places: Map<string, number>;
}) {
  return (
    <section aria-label="Other pictures">
      <div className="flex flex-wrap items-baseline justify-between gap-3">
        <h2>Other pictures</h2>
        {mayMeasure && (
          <button type="button" className="act" onClick={() => adding.ask(undefined)}>
            Add pictures
          </button>
        )}
      </div>
      {step && (
        <p className="told my-2">
          Pictures added now prove a step of the order. <PageLink href={order}>Back to the order</PageLink>
        </p>
      )}
      <OnTheirWay queue={adding.queue} again={adding.again} drop={adding.drop} />
      {others.length === 0 && <p className="told my-2">None yet.</p>}
      <ul className="grid grid-cols-2 sm:grid-cols-3 gap-3 mt-2">
        {others.map((p) => (
          <li key={p.id} className="relative">
            <button
              type="button"
              className="w-full aspect-[4/3] border border-ink bg-sheet overflow-hidden block"
              aria-label={`Open: ${pictureWords(p.values)}`}
              onClick={() => setOpen(p.id)}
            >
              <Marked picture={p.values} about={pictureWords(p.values)} size="small" />
            </button>
            <PlaceInReport place={places.get(p.values.hash)} />
            <p className="text-sm">{pictureWords(p.values)}</p>
          </li>
        ))}
      </ul>
    </section>
  );
}
