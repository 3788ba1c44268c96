'use client';

import { useSyncExternalStore, type ReactNode } from 'react';

const never = () => () => undefined;

/** Whether the page has come alive: false on the server and until this part of the page listens. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** Fields that take no typing until they listen, so that nothing typed into a page still loading is lost. */
export function Entry({ children }: { children: ReactNode }) {
  return (
    <fieldset className="min-w-0" disabled={!useAlive()}>
      {children}
    </fieldset>
  );
}
