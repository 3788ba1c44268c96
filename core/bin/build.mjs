import { existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const CORE = fileURLToPath(new URL('..', import.meta.url));
export const BUILT = join(CORE, 'dist', 'undrel.mjs');

/** Whether the command line stands as its sources are now. */
export function isCurrent() {
  if (!existsSync(BUILT)) return false;
  const made = statSync(BUILT).mtimeMs;
  return ['src', 'cli'].every((folder) =>
    readdirSync(join(CORE, folder), { recursive: true, withFileTypes: true }).every(
      (entry) => !entry.isFile() || statSync(join(entry.parentPath, entry.name)).mtimeMs <= made,
    ),
  );
}

/** Builds the command line; it appears whole, though two build it at once. */
export async function build() {
  const { build: bundle } = await import('esbuild');
  const own = `${BUILT}.${process.pid}`;
  mkdirSync(join(CORE, 'dist'), { recursive: true });
  try {
    await bundle({
      absWorkingDir: CORE,
      entryPoints: ['cli/main.ts'],
      bundle: true,
      platform: 'node',
      format: 'esm',
      target: 'node20',
      external: ['highs'],
      outfile: own,
      logLevel: 'warning',
    });
    renameSync(own, BUILT);
  } finally {
    rmSync(own, { force: true });
  }
}

if (import.meta.url === pathToFileURL(process.argv[1]).href) await build();
