'use client';

import { useActionState } from 'react';

const AWAY = 'The server could not be reached; what you typed is still here. Try again.';

/** Errors that are the framework's way to go to another page, not failures. */
const isNavigation = (error: unknown): boolean =>
  String((error as { digest?: unknown } | undefined)?.digest ?? '').startsWith('NEXT_');

/**
 * A form whose action may fail on the way: what was typed is put back with the reason, never lost to an error page.
 * The state holds the fields by their form names.
 */
export function useKeptForm<S extends { problem?: string }>(
  action: (state: S, form: FormData) => Promise<S>,
  initial: S,
): [state: S, act: (form: FormData) => void, busy: boolean] {
  return useActionState<S, FormData>(async (state, form) => {
    try {
      return await action(state as S, form);
    } catch (error) {
      if (isNavigation(error)) throw error;
      const typed = Object.fromEntries(
        [...form].filter(([name, value]) => name in state && typeof value === 'string'),
      );
      return { ...state, ...typed, problem: AWAY };
    }
  }, initial as Awaited<S>);
}
