// TypeScript in bare Node, read as it is imported and at the speed that it has there: node --import ./scripts/setup/typescript.mjs FILE
import { register } from 'node:module';

register('./typescriptHooks.mjs', import.meta.url);
