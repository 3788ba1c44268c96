import { keeping } from '@undrel/core/kept';
import type { ReportContent } from '../../protocol/report';
import { beside, type Asker } from '../beside';
import type { ReportSource } from '../../work/tree/source';

/**
 * What is kept of reports, in letters of what they were worked out from. What they say is about five times as long, and
 * stands in memory beside it.
 */
const MOST = 4_000_000;
interface Kept {
  content?: ReportContent;
}
// Kept by the process: pages and routes each load this, and share what is worked out.
const shared = globalThis as typeof globalThis & { undrelContents?: ReturnType<typeof keeping<Kept>> };
const contents = (shared.undrelContents ??= keeping<Kept>(MOST, (_, key) => key.length));

/**
 * What the report of a visit says, worked out beside the server once for the preview and for every file of it: nothing
 * but its source decides it.
 *
 * @throws Busy, TooLong, an AbortError where the asker's signal ends it
 */
export async function contentOf(source: ReportSource, asker: Asker): Promise<ReportContent> {
  const kept = contents(source, () => ({}));
  return (kept.content ??= await beside('content', source, asker));
}
