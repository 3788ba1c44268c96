import { keepingMade } from '@undrel/core/kept';
import type { PropertyRows } from '../../work/property/page';
import { beside, type Asker } from '../beside';
import { digestOf } from '../digestOf';

/** What is kept of the pages of properties, letters. */
const MOST = 16_000_000;
interface Page {
  text: string;
}
// Kept by the process: a module that is loaded twice shares what is worked out.
const shared = globalThis as typeof globalThis & { undrelPages?: ReturnType<typeof keepingMade<Page>> };
const pages = (shared.undrelPages ??= keepingMade<Page>(MOST, ({ text }) => text.length));

/**
 * The page of a property as one JSON text, worked out beside the server: once, while nothing that it follows from has
 * changed.
 *
 * @throws Busy, TooLong
 */
export async function propertyText(rows: PropertyRows, asker: Asker): Promise<string> {
  const { trees, visits, ...others } = rows;
  const made = async () => ({ text: await beside('propertyText', rows, asker) });
  return (await pages(digestOf(JSON.stringify(others), trees, visits), made)).text;
}
