import type { Dig } from '@undrel/core/records';
import type { ReportSource } from '../work/tree/source';
import { ALONE, beside } from './beside';
import { demoSource, visitedTrees } from './reports/demoSources';

/** A dig of so many roots round the stem, each read at so many points. */
const digOf = (roots: number, points: number): Dig => ({
  measuredFrom: 'bark',
  north: 'true',
  roots: Array.from({ length: roots }, (_, i) => ({
    label: `R${i}`,
    kind: 'structural',
    start: 'stem',
    points: Array.from({ length: points }, (_, k) => ({
      bearing: ((i * 360) / roots + k * 0.3) % 360,
      distance: 0.2 + k * 0.02,
      depth: 0.1,
      diameter: 0.05,
    })),
  })),
});
const sourceWith = (dig: Dig): ReportSource => {
  const source = demoSource(visitedTrees()[0]!, 'metric');
  const visit = { ...source.visit, dig };
  return { ...source, visit, visits: [visit] };
};
/** Numbers of the threads that pages are worked out in; each that is begun has one of its own. */
const threads = () => {
  const { undrelLanes } = globalThis as unknown as {
    undrelLanes: { page: { pool: { threads: { threadId: number }[] } } };
  };
  return undrelLanes.page.pool.threads.map((t) => t.threadId).sort((a, b) => a - b);
};
const asker = (signal: AbortSignal) => ({ firmId: 'gone', userId: 'gone', signal });

test('who goes is let go at once; work that is nearly done comes to its end, and no thread is ended for it', async () => {
  const source = sourceWith(digOf(12, 4));
  await beside('content', source, ALONE);
  const before = threads();
  const stops = Array.from({ length: 10 }, () => new AbortController());
  const asked = stops.map(({ signal }) => beside('content', source, asker(signal)));
  setTimeout(() => stops.forEach((stop) => stop.abort()), 20);
  const answers = await Promise.allSettled(asked);
  const told = answers.flatMap((a) => (a.status === 'rejected' ? [(a.reason as Error).name] : []));
  expect(told.length).toBeGreaterThan(5);
  expect(new Set(told)).toEqual(new Set(['AbortError']));
  // Whoever comes next is served by the threads that were there.
  await beside('content', source, ALONE);
  expect(threads()).toEqual(expect.arrayContaining(before));
});

test('work that goes on and on after its asker went is ended, and their next work is done', async () => {
  const stop = new AbortController();
  const endless = beside('content', sourceWith(digOf(500, 60)), asker(stop.signal));
  const before = threads();
  setTimeout(() => stop.abort(), 100);
  await expect(endless).rejects.toMatchObject({ name: 'AbortError' });
  // Their place is free once the thread was ended.
  const next = new AbortController();
  const { tree } = await beside('content', sourceWith(digOf(12, 4)), asker(next.signal));
  expect(tree).toBeTruthy();
  expect(threads()).not.toEqual(before);
});
