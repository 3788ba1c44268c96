import { ALONE } from '../beside';
import { reportContent } from '../../work/reports/content';
import { contentOf } from './contentOf';
import { sourceAt } from './demoSources';

const VISIT = { date: '2026-05-01', findings: [], probes: [], profiles: [], decisions: [] };

test('what a report says is worked out once for all who ask, and anew for whatever differs', async () => {
  const first = await contentOf(sourceAt(VISIT), ALONE);
  expect(first).toEqual(JSON.parse(JSON.stringify(reportContent(sourceAt(VISIT)))));
  // A source that says the same is the same, whoever made it.
  expect(await contentOf(structuredClone(sourceAt(VISIT)), ALONE)).toBe(first);
  const worded = { ...sourceAt(VISIT), wording: { opening: 'As we spoke of it.' } };
  const inches = { ...sourceAt(VISIT), system: 'us' as const };
  for (const other of [worded, inches, sourceAt({ ...VISIT, date: '2026-06-01' })])
    expect(await contentOf(other, ALONE)).not.toEqual(first);
});

test('what was given up or failed is asked for again', async () => {
  const source = { ...sourceAt(VISIT), property: 'Elsewhere' };
  const gone = { ...ALONE, signal: AbortSignal.abort() };
  await expect(contentOf(source, gone)).rejects.toThrow(/Stopped/);
  expect((await contentOf(source, ALONE)).property).toBe('Elsewhere');
});
