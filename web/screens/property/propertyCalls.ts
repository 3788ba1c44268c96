import type { PlanSides } from '../../protocol/grounds';
import type { Change, ChangeResult } from '../../protocol/item';
import type { Told } from './ToldView';

const UNREACHED = 'The server could not be reached; nothing was changed. Try again.';

/** An answer of the server; undefined where it was not reached, or what came is no answer of its own. */
async function told<T>(answer: Response | undefined): Promise<T | undefined> {
  return (await answer?.json().catch(() => undefined)) as T | undefined;
}

const asked = (path: string, init: RequestInit): Promise<Response | undefined> =>
  fetch(path, init).catch(() => undefined);

const asJson = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});

/** Saves one change. `away` is whether the server was not reached, so that it may be kept for later. */
export async function saveChange(
  change: Change,
): Promise<{ saved: true } | { saved: false; away: boolean; problem: string }> {
  const answer = await asked('/api/changes', asJson({ changes: [change] }));
  const result = answer?.ok ? (await told<{ results: ChangeResult[] }>(answer))?.results[0] : undefined;
  if (result?.status === 'saved') return { saved: true };
  return {
    saved: false,
    away: answer === undefined,
    problem:
      result?.status === 'refused'
        ? result.problem
        : result?.status === 'stale'
          ? 'Someone else has changed this tree; the page shows it now. Try again.'
          : UNREACHED,
  };
}

/** Sets trees of a property in groups or places; whether it was done, and whether the server was reached at all. */
export async function setTrees(
  api: string,
  body:
    | { cohort: { name: string; ids: readonly string[] } }
    | { place: { id: string; x: number; y: number } },
): Promise<{ done: boolean; reached: boolean }> {
  const answer = await asked(`${api}/trees`, asJson(body));
  return { done: answer?.ok ?? false, reached: answer !== undefined };
}

/** Where a file goes by its name, and as what it is sent. */
export function destinationOf(name: string, api: string, base: number): { path: string; type: string } {
  const ending = /\.(csv|dxf|geojson)$/i.exec(name)?.[1]?.toLowerCase();
  switch (ending) {
    case 'csv':
      return { path: `${api}/trees`, type: 'text/csv' };
    case 'dxf':
      return { path: `${api}/plan?base=${base}`, type: 'image/vnd.dxf' };
    case 'geojson':
      return { path: `${api}/plan?base=${base}`, type: 'application/json' };
    default:
      return { path: `${api}/cases`, type: 'application/json' };
  }
}

/** What became of a file that was brought in. */
export interface Brought {
  told?: Told;
  /** The plan was changed by somebody else since. */
  stale?: PlanSides;
  /** Whether the page may show something else now. */
  changed: boolean;
}

/** What a file holds; undefined where it was moved or changed since it was chosen. */
const bytesOf = (file: File): Promise<ArrayBuffer | undefined> => file.arrayBuffer().catch(() => undefined);

const unread = ({ name }: File): Brought => ({
  told: { problem: `${name} cannot be read any more; nothing was imported. Choose it again.` },
  changed: false,
});

/** Brings a file in: a list, a plan or a case. @param base version of the property it was made for */
export async function bringIn(api: string, file: File, base: number, signal: AbortSignal): Promise<Brought> {
  const body = await bytesOf(file);
  if (!body) return unread(file);
  const { path, type } = destinationOf(file.name, api, base);
  const answer = await asked(path, { method: 'POST', signal, headers: { 'content-type': type }, body });
  const read = await told<Told & { stale?: PlanSides }>(answer);
  // Without network a refresh would leave the page.
  const changed = answer !== undefined || signal.aborted;
  if (read?.stale) return { stale: read.stale, changed };
  if (signal.aborted)
    return {
      told: { problem: `Stopped. ${file.name} comes in whole or not at all; the list shows which.` },
      changed,
    };
  return {
    told: read ?? { problem: 'The server could not be reached; nothing was imported. Try again.' },
    changed,
  };
}

/** Notes where the weather of a property is from. */
export async function noteWeatherPlace(api: string, typed: unknown): Promise<Brought> {
  const answer = await asked(`${api}/weather`, { method: 'PUT', body: JSON.stringify(typed) });
  return {
    told: (await told<Told>(answer)) ?? {
      problem: 'The server could not be reached; what you typed is still here. Try again.',
    },
    changed: answer !== undefined,
  };
}

/** Takes weather from a file, or from the record of the station where none is given. */
export async function takeWeather(api: string, file?: File): Promise<Brought> {
  const body = file && (await bytesOf(file));
  if (file && !body) return unread(file);
  const answer = await asked(`${api}/weather?name=${encodeURIComponent(file?.name ?? '')}`, {
    method: 'POST',
    ...(body && { headers: { 'content-type': 'text/csv' }, body }),
  });
  return {
    told: (await told<Told>(answer)) ?? {
      problem: 'The weather record could not be reached; nothing was changed. Try again.',
    },
    changed: answer !== undefined,
  };
}
