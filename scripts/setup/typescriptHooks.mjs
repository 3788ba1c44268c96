import { transformSync } from '@swc/core';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import { ROOT } from './run.mjs';
import { SWC } from './swcOptions.mjs';

/** What a path without an ending may stand for, as the bundler of the application reads it. */
const ENDINGS = ['.ts', '.tsx', '/index.ts'];

const ownFile = (specifier, parent) => {
  if (specifier.startsWith('@/')) return join(ROOT, 'web', specifier.slice(2));
  return specifier.startsWith('.') ? fileURLToPath(new URL(specifier, parent)).replace(/\/$/, '') : undefined;
};

export async function resolve(specifier, context, next) {
  const file = ownFile(specifier, context.parentURL);
  if (!file) return next(specifier, context);
  const ending = ENDINGS.find((e) => existsSync(file + e)) ?? '';
  return next(pathToFileURL(file + ending).href, context);
}

export async function load(url, context, next) {
  const filename = url.startsWith('file:') ? fileURLToPath(url.replace(/\?.*/, '')) : '';
  const source = () => readFileSync(filename, 'utf8');
  const as = (code) => ({ format: 'module', shortCircuit: true, source: code });
  if (filename.endsWith('.json')) return as(`export default ${source()}`);
  if (!/\.tsx?$/.test(filename)) return next(url, context);
  return as(transformSync(source(), { ...SWC, filename, sourceMaps: 'inline' }).code);
}
