import { TooLong } from './beside';
import { Busy } from './fairQueue';

/** Work for a page: what came of it, or why there is nothing to show. Any other failure is the page's. */
export const tried = <T>(work: Promise<T>): Promise<{ value: T } | { problem: string }> =>
  work.then(
    (value) => ({ value }),
    (error: unknown) => {
      if (error instanceof TooLong || error instanceof Busy) return { problem: error.message };
      throw error;
    },
  );
