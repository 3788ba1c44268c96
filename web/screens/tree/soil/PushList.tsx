'use client';

import Papa from 'papaparse';
import type { Push } from '@undrel/core/records';
import { bearingName } from '@undrel/core/questions';
import { pushesToRows } from '@undrel/core/soil';
import { FilePick } from '../../../ui/FilePick';
import { keepFile } from '../../../ui/keepFile';
import type { Living } from '../../../protocol/item';
import type { CaseHand } from '../../../device/useCase';

/** Pushes from a file of a device, and to a file. */
export function PushFiles({
  bring,
  pushes,
}: {
  bring: (file: File) => Promise<void>;
  pushes: readonly Push[];
}) {
  return (
    <div className="flex flex-wrap gap-2 my-2">
      <FilePick
        about="Pushes to import: CSV of a penetrometer"
        label="Bring pushes in"
        accept=".csv,.txt"
        onFile={(file) => void bring(file)}
      />
      {pushes.length > 0 && (
        <button
          type="button"
          className="quiet"
          onClick={() =>
            keepFile(Papa.unparse(pushesToRows(pushes), { escapeFormulae: true }), 'pushes.csv', 'text/csv')
          }
        >
          Pushes as CSV
        </button>
      )}
    </div>
  );
}

/** Every push, and its removal. */
export function PushList({
  items,
  short,
  mayMeasure,
  control,
  visitId,
}: {
  items: Living<'push'>[];
  short: (metres: number) => string;
  mayMeasure: boolean;
  control: CaseHand;
  visitId: string;
}) {
  return (
    <details>
      <summary className="min-h-[44px] flex items-center cursor-pointer text-todo underline underline-offset-4">
        {items.length} {items.length === 1 ? 'push' : 'pushes'}
      </summary>
      <ul>
        {items.map(({ id, values }) => (
          <li key={id} className="flex items-baseline gap-3 border-b border-hair py-1">
            <span className="num w-16">{bearingName(values.bearing)}</span>
            <span className="num flex-1">{short(values.distance)} out</span>
            <span className="flex-1">
              {values.stopped !== undefined
                ? `stopped at ${short(values.stopped)}`
                : `to ${short(values.readings.at(-1)?.depth ?? 0)}`}
              {values.moisture && `, ${values.moisture}`}
            </span>
            {mayMeasure && (
              <button
                type="button"
                className="link min-h-[44px]"
                aria-label={`Remove the push at ${bearingName(values.bearing)}, ${short(values.distance)} out`}
                onClick={() => control.set('push', id, visitId, null)}
              >
                Remove
              </button>
            )}
          </li>
        ))}
      </ul>
    </details>
  );
}
