import type { WeatherRecord } from '@undrel/core/records';
import { dryYears, SEASONS_NEEDED } from '@undrel/core/history';
import { FilePick } from '../../ui/FilePick';

/** Rain of the grounds: which growing seasons were dry, where it was measured, and reading it anew. */
export function Weather(props: {
  record: WeatherRecord | null;
  busy: boolean;
  onRead?: (file?: File) => void;
}) {
  const { record, onRead } = props;
  if (!record && !onRead) return null;
  return (
    <section className="text-sm mb-2 flex flex-wrap items-center gap-x-3" aria-label="Rain of these grounds">
      <p className="basis-80 grow">
        {record ? told(record) : 'No record of the rain here yet: it tells dry years from failing trees.'}
      </p>
      {onRead && (
        <>
          <button type="button" className="link min-h-[44px]" disabled={props.busy} onClick={() => onRead()}>
            {record ? 'Read again' : 'Read the weather record'}
          </button>
          <FilePick
            about="Monthly rain as CSV: month (YYYY-MM), rain (mm)"
            label="from CSV"
            accept=".csv"
            className="link min-h-[44px]"
            disabled={props.busy}
            onFile={onRead}
          />
        </>
      )}
    </section>
  );
}

function told(record: WeatherRecord): string {
  const { seasons, source } = record;
  const span = `April to September rain ${seasons[0]!.year}–${seasons.at(-1)!.year}, ${source}.`;
  if (seasons.length < SEASONS_NEEDED)
    return `${span} ${seasons.length} seasons: too few to call one dry; ${SEASONS_NEEDED} are needed.`;
  return `Dry growing seasons: ${dryYears(record).join(', ') || 'none'}. ${span}`;
}
