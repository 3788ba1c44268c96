#!/usr/bin/env node
import { existsSync } from 'node:fs';

const built = new URL('../dist/undrel.mjs', import.meta.url);
if (!existsSync(built)) {
  console.error('undrel is not built yet: run `npm run build --workspace core` once.');
  process.exit(2);
}
await import(built.href);
