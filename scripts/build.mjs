// Production build: npm run build
import { make } from './setup/build.mjs';

await make();
