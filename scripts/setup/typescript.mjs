import { register } from 'node:module';

/** Before a test in bare Node: TypeScript is read as it is imported. */
export default () => {
  register('./typescriptHooks.mjs', import.meta.url);
};
