// What a browser keeps in IndexedDB, in memory: there before anything that would look for it is read.
import 'fake-indexeddb/auto';

export default () => undefined;
