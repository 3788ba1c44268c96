import { TooLong } from './beside';
import { refusalOf } from './database/refusals';
import { Busy } from './fairQueue';
import { StoreAway } from './pictures/bucket';

/** A failure of which it is known what went wrong. */
export interface Known {
  status: number;
  problem: string;
  /** When it may be tried again, seconds. */
  after?: number;
}

/** What went wrong, in words, with what it is to a program; undefined where that is not known. */
export function knownOf(error: unknown): Known | undefined {
  if (error instanceof Busy) return { status: 429, problem: error.message, after: 5 };
  if (error instanceof TooLong) return { status: 422, problem: error.message };
  if (error instanceof StoreAway) {
    console.error(`pictures: ${error.why}`);
    return { status: 503, problem: error.message, after: 30 };
  }
  return refusalOf(error);
}

/** Work: what came of it, or in words why there is nothing of it. Any other failure goes on. */
export const tried = <T>(work: Promise<T>): Promise<{ value: T } | { problem: string }> =>
  work.then(
    (value) => ({ value }),
    (error: unknown) => {
      const known = knownOf(error);
      if (!known) throw error;
      return { problem: known.problem };
    },
  );

/** The same for work that answers with words of its own where it is refused. */
export async function orKnown<T>(work: Promise<T>): Promise<T | { problem: string }> {
  const made = await tried(work);
  return 'value' in made ? made.value : made;
}
