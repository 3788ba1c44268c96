import { readFile } from 'node:fs/promises';
import { projectFile } from '../work/paper/projectFile';
import { ALONE, beside, keepReady } from './beside';
import { loadCases } from './cases/load';
import { keepConnected } from './database/transaction';

/**
 * Has ready the connections, what works reports out, writes and sets them, and what answers at each address, before
 * anybody asks: the first who does would wait for it, and hold up everybody else.
 */
export async function readyForWork(): Promise<void> {
  keepReady();
  await keepConnected((db) => loadCases(db, []));
  await beside('readyForPages', undefined, ALONE);
  await beside('readyForPapers', undefined, ALONE);
  const { PORT, NODE_ENV, UNDREL_DIST = '.next' } = process.env;
  if (!PORT || NODE_ENV !== 'production') return;
  const routes = await readFile(projectFile('web', UNDREL_DIST, 'app-path-routes-manifest.json'), 'utf8');
  await readyToAnswer(
    `http://127.0.0.1:${PORT}`,
    Object.values(JSON.parse(routes) as Record<string, string>),
  );
}

/**
 * Asks a server for each of its routes once, one after the other and as nobody: what answers there is loaded, and
 * refuses before it reads anything. A route that does not answer is left out.
 *
 * @param routes paths, with parts that vary in brackets
 */
export async function readyToAnswer(base: string, routes: readonly string[]): Promise<void> {
  for (const route of routes) {
    const address = base + route.replace(/\[[^\]/]*\]+/g, 'any');
    await fetch(address, { redirect: 'manual' })
      .then((answer) => answer.arrayBuffer())
      .catch(() => undefined);
  }
}
