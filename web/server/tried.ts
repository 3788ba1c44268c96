import { knownOf } from './known';

/** Work for a page: what came of it, or why there is nothing to show. Any other failure is the page's. */
export const tried = <T>(work: Promise<T>): Promise<{ value: T } | { problem: string }> =>
  work.then(
    (value) => ({ value }),
    (error: unknown) => {
      const known = knownOf(error);
      if (!known) throw error;
      return { problem: known.problem };
    },
  );
