import { idle } from '../idle';
import { cacheOf, type Along } from './kept';

/** Files of script by their addresses in a page: those that it begins with, and those that its content names. */
const FILES = /\/_next\/static\/chunks\/[\w~.-]+\.js/g;
/** For browsers that are older than ours. */
const OLD = /<script[^>]*\snoModule[^>]*>/g;
/** What all pages of one build run in. */
const RUNTIME = /\/turbopack-[\w~-]+\.js$/;

/**
 * The files that a kept page needs and an open one does not have.
 *
 * @param html of the kept page
 * @param has addresses of the files that the open page has
 * @returns none where the two are not of one build
 */
export function filesAhead(html: string, has: ReadonlySet<string>): string[] {
  const needs = new Set(html.replace(OLD, '').match(FILES));
  const runtime = [...has].filter((file) => RUNTIME.test(file));
  if (runtime.length === 0 || !runtime.every((file) => needs.has(file))) return [];
  return [...needs].filter((file) => !has.has(file));
}

const run = (file: string): Promise<void> =>
  new Promise((done, failed) => {
    const script = document.createElement('script');
    script.async = true;
    script.src = file;
    script.onload = () => done();
    script.onerror = () => failed(new Error(`${file} could not be had.`));
    document.head.append(script);
  });

/**
 * Reads the program of a tree's page while the page of a property that was taken along is at rest, file by file: all trees
 * have the same, and the first that is opened then opens as fast as the next. It is on this device; nothing is fetched.
 */
export async function readAhead(
  along: Pick<Along, 'person' | 'property'>,
  signal: AbortSignal,
): Promise<void> {
  const store = await caches.open(cacheOf(along));
  const tree = (await store.keys()).find(({ url }) => /^\/trees\/(?!new)[^/]+$/.test(new URL(url).pathname));
  const page = tree && (await store.match(tree));
  if (!page) return;
  const has = new Set([...document.scripts].flatMap(({ src }) => (src ? [new URL(src).pathname] : [])));
  for (const file of filesAhead(await page.text(), has)) {
    await idle();
    if (signal.aborted) return;
    await run(file);
  }
}
