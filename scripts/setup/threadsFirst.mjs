import { threads } from './build.mjs';

/** Before the tests of the server: what it runs in threads has to be there. */
export default () => threads();
