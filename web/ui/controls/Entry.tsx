'use client';

import { createContext, use, useEffect, useRef, useState, useSyncExternalStore, type ReactNode } from 'react';
import { useTelling, useTold, type Told } from '../../device/told';
import { sayHeld } from './typedAhead';

const never = () => () => undefined;

/** Whether the page has come alive: false on the server and until this part of the page listens. */
export const useAlive = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

const Listens = createContext<Told<boolean> | undefined>(undefined);

/**
 * Lets the fields within be typed into and ticked as soon as they are seen. What is entered is held until it is known what
 * else was entered on this device, and then taken, as it was meant.
 */
export const TakenAhead = ({ listens, children }: { listens: boolean; children: ReactNode }) => (
  <Listens value={useTelling(listens)}>{children}</Listens>
);

/** Fields that lose nothing that is typed into a page still loading: they take it ahead where that is allowed, or no typing at all. */
export function Entry({ children }: { children: ReactNode }) {
  const told = use(Listens);
  const alive = useAlive();
  if (told) return <EntryAhead told={told}>{children}</EntryAhead>;
  return (
    <fieldset className="min-w-0" disabled={!alive}>
      {children}
    </fieldset>
  );
}

/** What is pressed waits meanwhile (see `data-waits` in the style sheet), what is typed is held by the page itself. */
function EntryAhead({ told, children }: { told: Told<boolean>; children: ReactNode }) {
  const listens = useTold(told);
  const [waits, setWaits] = useState(!listens);
  const [lost, setLost] = useState<readonly string[]>([]);
  const fields = useRef<HTMLFieldSetElement>(null);
  useEffect(() => {
    if (!listens || !waits) return;
    // After all that this drawing of the page still does: what is said again is worked into what it left.
    queueMicrotask(() => {
      const here = fields.current;
      if (!here) return;
      delete here.dataset.waits;
      setWaits(false);
      setLost(sayHeld(here));
    });
  }, [listens, waits]);
  return (
    <fieldset ref={fields} className="min-w-0" data-waits={waits || undefined} aria-busy={waits}>
      {lost.length > 0 && (
        <p role="alert" className="wrong my-2">
          Entered while the page was loading, and not taken, since it is asked no longer: {lost.join('; ')}.
          Enter it where it belongs.
        </p>
      )}
      {children}
    </fieldset>
  );
}
