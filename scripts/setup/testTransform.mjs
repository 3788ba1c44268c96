import { createHash } from 'node:crypto';
import { createRequire } from 'node:module';
import { SWC } from './swcOptions.mjs';

/**
 * TypeScript for Jest. Each test file runs in a context of its own, in which every look at a global (`Math.max` in a
 * loop) is sent through an interceptor; names of the module are not. So each module begins by making names of its own of
 * the globals that sums use: they run at about the speed they have outside, twice as fast.
 */
const NAMES = 'const { Array, Float64Array, Infinity, Map, Math, Number, Object, Set } = globalThis;';

// The package is CommonJS, whose exports are not told apart.
const { createTransformer } = createRequire(import.meta.url)('@swc/jest');
const swc = createTransformer(SWC);

// On the line of the first statement, so that lines of errors stay right.
const named = (result) => ({ ...result, code: NAMES + result.code });

export default {
  ...swc,
  process: (...given) => named(swc.process(...given)),
  processAsync: async (...given) => named(await swc.processAsync(...given)),
  getCacheKey: (...given) =>
    createHash('sha256')
      .update(NAMES)
      .update(swc.getCacheKey(...given))
      .digest('hex'),
};
