import * as z from 'zod';
import { orKnown, tried } from './known';

/** Of whatever is stored; it stands in addresses as it is. */
export const ID = z
  .string()
  .max(200)
  .regex(/^[\w.-]+$/);
/** Of what is stored, as it was seen. */
export const VERSION = z.int();

const NOT_WHOLE = 'What was sent did not come whole; load the page again.';

type Given<A extends readonly z.ZodType[]> = { -readonly [I in keyof A]: z.output<A[I]> };

/**
 * An action that takes what it says. Anybody who is signed in can send anything to an action: what it does not take is
 * refused in words that name the field.
 *
 * @param schemas one for each argument, in their order
 */
export const taking =
  <const A extends readonly z.ZodType[], R>(schemas: A, act: (...given: Given<A>) => Promise<R>) =>
  async (...given: Given<A>): Promise<R | { problem: string }> => {
    const taken: unknown[] = [];
    for (const [i, schema] of schemas.entries()) {
      const read = schema.safeParse(given[i]);
      if (!read.success) {
        const { path, message } = read.error.issues[0]!;
        return { problem: path.length > 0 ? `${path.join('.')}: ${message}. Nothing was saved.` : NOT_WHOLE };
      }
      taken.push(read.data);
    }
    return orKnown(act(...(taken as Given<A>)));
  };

interface Shown {
  problem?: string | undefined;
}

function whole<S extends Shown>(state: S, form: FormData): S | undefined {
  const shown =
    typeof state === 'object' && state !== null && !(state instanceof FormData) ? state : undefined;
  return shown && form instanceof FormData ? undefined : ({ ...shown, problem: NOT_WHOLE } as S);
}

/** Where it is known why there is no answer, what was shown stays beside the words. */
async function said<S extends Shown>(state: S, work: Promise<S>): Promise<S> {
  const made = await tried(work);
  return 'value' in made ? made.value : { ...state, ...made };
}

/** The action of a form: it goes on from what the screen showed before. */
export const takingForm =
  <S extends Shown>(act: (state: S, form: FormData) => Promise<S>) =>
  async (state: S, form: FormData): Promise<S> =>
    whole(state, form) ?? said(state, act(state, form));

/** The action of a form that is about one thing, by its id or token. */
export const takingFormOf =
  <S extends Shown>(act: (of: string, state: S, form: FormData) => Promise<S>) =>
  async (of: string, state: S, form: FormData): Promise<S> =>
    whole(state, form) ??
    (typeof of === 'string' ? said(state, act(of, state, form)) : { ...state, problem: NOT_WHOLE });
