import Papa from 'papaparse';
import { walkInventory } from '../../core/cli/walk';
import { readDig, rootsFromGeoJson, rootsFromRows } from '../../core/src/roots';
import { layoutOf, pushesFromRows, type PushLayout } from '../../core/src/soil';
import { ALONE, beside, TooLong } from '../../web/server/beside';
import { readPicture } from '../../web/server/pictures/readPicture';
import { seeded } from '../../core/src/growth/random';
import { SEEDS, spoilt, type Importer } from './files';

const TODAY = '2026-06-01';
const rowsOf = (text: string) =>
  Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true, preview: 2_000 });
const dig = { measuredFrom: 'centre' as const, north: 'true' as const, roots: [] };
const reading = readDig({ stemDiameter: 0.3 }, dig);
const bytesOf = (text: string) => new TextEncoder().encode(text);

/** How each importer reads a file, as the application does. */
const READ: Record<Importer, (text: string) => unknown> = {
  trees: (text) => beside('trees', bytesOf(text), ALONE),
  weather: (text) => beside('weather', { bytes: bytesOf(text), name: 'fuzz' }, ALONE),
  plan: (text) => beside('plan', { bytes: bytesOf(text), dxf: false }, ALONE),
  dxf: (text) => beside('plan', { bytes: bytesOf(text), dxf: true }, ALONE),
  case: (text) => beside('caseFile', { bytes: bytesOf(text), today: TODAY }, ALONE),
  rootTable: (text) => rootsFromRows(rowsOf(text).data),
  rootMap: (text) => rootsFromGeoJson(text, dig, reading),
  walk: (text) => {
    try {
      return walkInventory(text, TODAY);
    } catch (error) {
      // The command line says in words what is missing; anything else is a fault.
      if (error instanceof Error && error.constructor === Error) return error.message;
      throw error;
    }
  },
  pushes: (text) => {
    const { data, meta } = rowsOf(text);
    const layout = layoutOf(meta.fields ?? []);
    const whole = ['bearing', 'distance', 'depth', 'load'].every((k) => k in layout && layout[k as 'load']);
    return whole ? pushesFromRows(data, layout as PushLayout, 'large') : layout;
  },
  picture: (text) => readPicture(Buffer.from(text, 'latin1')),
};

export interface FuzzResult {
  files: number;
  /** What was thrown, with the file that did it. */
  crashes: { importer: Importer; error: string; text: string }[];
  /** Files that were stopped since they took too long. */
  stopped: { importer: Importer; text: string }[];
  slowest: { importer: Importer; ms: number; bytes: number }[];
}

/** Sends `files` files to all importers in turn: the seeds first, then what is made from them. */
export async function fuzz(
  files: number,
  seed: number,
  onProgress?: (done: number) => void,
): Promise<FuzzResult> {
  const random = seeded(seed);
  const importers = Object.keys(SEEDS) as Importer[];
  const result: FuzzResult = { files: 0, crashes: [], stopped: [], slowest: [] };
  const plain = importers.flatMap((importer) => SEEDS[importer].map((text) => ({ importer, text })));
  for (let i = 0; i < files; i++) {
    const importer = importers[i % importers.length]!;
    const seeds = SEEDS[importer];
    const { importer: of, text } = plain[i] ?? {
      importer,
      text: spoilt(seeds[Math.floor(random() * seeds.length)]!, random),
    };
    const begun = performance.now();
    try {
      await READ[of](text);
    } catch (error) {
      if (error instanceof TooLong) result.stopped.push({ importer: of, text });
      else
        result.crashes.push({
          importer: of,
          error: error instanceof Error ? `${error.name}: ${error.message}` : String(error),
          text,
        });
    }
    const ms = performance.now() - begun;
    result.slowest.push({ importer: of, ms, bytes: text.length });
    if (result.slowest.length > 200) result.slowest = result.slowest.sort((a, b) => b.ms - a.ms).slice(0, 10);
    result.files++;
    if (i % 500 === 499) onProgress?.(i + 1);
  }
  result.slowest = result.slowest.sort((a, b) => b.ms - a.ms).slice(0, 10);
  return result;
}
