import { beginInTurn } from '../device/idle';
import dynamic from 'next/dynamic';
import { lazy, Suspense, useEffect, type ComponentType, type ReactNode, type RefObject } from 'react';

/** Code that is fetched while a page is at rest, before anybody asks for it: with the signal gone it would not come any more. */
const REST_MS = 2500;

function fetchedAtRest<P extends object>(load: () => Promise<ComponentType<P>>): () => void {
  if (typeof window !== 'undefined') setTimeout(() => beginInTurn(load), REST_MS);
  return () => void load().catch(() => undefined);
}

/**
 * A part of a page whose code comes after the page. It is fetched once the page is at rest; where it cannot be had, something
 * plainer stands in its place, and the page goes on.
 *
 * @param load fetches the part
 * @param plain what stands for it without its code
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P>>,
  plain: ComponentType<P>,
): ComponentType<P> & { fetch: () => void } {
  const fetch = fetchedAtRest(load);
  const Part = dynamic<P>(() => load().catch(() => plain), { ssr: false });
  return Object.assign((props: P) => <Part {...props} />, { fetch });
}

/** What opens over the page when it is asked for, and how it is closed. */
export interface Opened {
  /** What opened it: a press there is its own. */
  at: RefObject<HTMLElement | null>;
  onClose: () => void;
}

/** Stands for what was asked for until it is here: Escape, or a press elsewhere, gives it up. */
function UntilHere({ at, onClose }: Opened) {
  useEffect(() => {
    const key = (event: KeyboardEvent) => event.key === 'Escape' && onClose();
    const press = (event: PointerEvent) => !at.current?.contains(event.target as Node) && onClose();
    document.addEventListener('keydown', key);
    document.addEventListener('pointerdown', press);
    return () => {
      document.removeEventListener('keydown', key);
      document.removeEventListener('pointerdown', press);
    };
  }, [at, onClose]);
  return null;
}

/** Stands in the place of what opens over the page where its code cannot be had: over the page as well, so that nothing moves. */
export const PlainOver = (props: { label: string; onClose: () => void; children: ReactNode }) => (
  <span
    role="note"
    aria-label={props.label}
    className="fixed z-50 inset-x-2 sm:left-auto sm:right-4 sm:w-[24rem] bottom-[88px] bg-sheet border-2 border-ink p-3 text-left text-base font-normal"
  >
    <span className="block">{props.children}</span>
    <button type="button" className="link min-h-[44px]" onClick={props.onClose}>
      Close
    </button>
  </span>
);

/** Like {@link late}, for what opens over the page: what comes late never comes up under a press meant for something else. */
export function lateOver<P extends Opened>(
  load: () => Promise<ComponentType<P>>,
  plain: ComponentType<P>,
): ComponentType<P> {
  fetchedAtRest(load);
  const Part = lazy<ComponentType<Opened>>(async () => ({
    default: (await load().catch(() => plain)) as ComponentType<Opened>,
  }));
  return (props: P) => (
    <Suspense fallback={<UntilHere at={props.at} onClose={props.onClose} />}>
      <Part {...props} />
    </Suspense>
  );
}
