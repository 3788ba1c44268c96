import { beginInTurn } from '../device/idle';
import {
  startTransition,
  useEffect,
  useState,
  type ComponentType,
  type ReactNode,
  type RefObject,
} from 'react';
import { painted } from './painted';

/** Code that is fetched while a page is at rest, before anybody asks for it: with the signal gone it would not come any more. */
const REST_MS = 2500;

/** The code of a part, begun to be fetched once the page is at rest. */
function codeOf<P extends object>(load: () => Promise<ComponentType<P>>) {
  /** The part, once its code is here. */
  let here: ComponentType<P> | undefined;
  const fetched = () => load().then((part) => (here = part));
  if (typeof window !== 'undefined') setTimeout(() => beginInTurn(fetched), REST_MS);
  return { now: () => here, fetched };
}

/**
 * A part of a page whose code comes after the page. It is fetched once the page is at rest; where it cannot be had, something
 * plainer stands in its place, and the page goes on.
 *
 * @param load fetches the part
 * @param Plain what stands for it without its code; it may have that fetched again
 */
export function late<P extends object>(
  load: () => Promise<ComponentType<P>>,
  Plain: ComponentType<P & { again: () => Promise<void> }>,
): ComponentType<P> & { fetch: () => void } {
  const code = codeOf(load);
  function Late(props: P) {
    const [Part, setPart] = useState(code.now);
    const [lacks, setLacks] = useState(false);
    useEffect(() => {
      let gone = false;
      if (!Part)
        code.fetched().then(
          (part) => gone || setPart(() => part),
          () => gone || setLacks(true),
        );
      return () => {
        gone = true;
      };
    }, [Part]);
    const again = () =>
      code.fetched().then(
        (part) => setPart(() => part),
        () => undefined,
      );
    if (Part) return <Part {...props} />;
    return lacks ? <Plain {...props} again={again} /> : null;
  }
  return Object.assign(Late, { fetch: () => void code.fetched().catch(() => undefined) });
}

/** What opens over the page when it is asked for, and how it is closed. */
export interface Opened {
  /** What opened it: a press there is its own. */
  at: RefObject<HTMLElement | null>;
  onClose: () => void;
  /** Where a part that is typed into finds what was typed before it was there; it takes that by leaving nothing. */
  typed?: RefObject<string | undefined>;
}

/** What is plain and stands over the page, so that nothing moves. */
const OVER =
  'fixed z-50 inset-x-2 sm:left-auto sm:right-4 sm:w-[24rem] bottom-[88px] bg-sheet border-2 border-ink p-3 text-left text-base font-normal';

/** What is not here after so long, ms, is said to be coming. Judgement. */
const SLOW_MS = 400;

/** A letter typed or taken back; a shortcut is neither. */
function withKey(typed: string, { key, ctrlKey, metaKey, altKey }: KeyboardEvent): string | undefined {
  if (ctrlKey || metaKey || altKey) return undefined;
  if (key === 'Backspace') return typed.slice(0, -1);
  return [...key].length === 1 ? typed + key : undefined;
}

/** What is typed for a part from when it is asked for until it takes it itself, by emptying `typed`. */
function useTypedFor(typed: Opened['typed']): string {
  const [words, setWords] = useState('');
  useEffect(() => {
    if (!typed) return;
    typed.current = '';
    const key = (event: KeyboardEvent) => {
      const next = typed.current === undefined ? undefined : withKey(typed.current, event);
      if (next === undefined) return;
      event.preventDefault();
      typed.current = next;
      setWords(next);
    };
    document.addEventListener('keydown', key);
    return () => document.removeEventListener('keydown', key);
  }, [typed]);
  return words;
}

/** Stands for what was asked for until it is here: Escape, Tab, or a press elsewhere, gives it up; what was typed for it is shown. */
function UntilHere({ at, onClose, words }: Opened & { words: string }) {
  const [slow, setSlow] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setSlow(true), SLOW_MS);
    return () => clearTimeout(timer);
  }, []);
  useEffect(() => {
    const key = ({ key }: KeyboardEvent) => (key === 'Escape' || key === 'Tab') && onClose();
    const press = (event: PointerEvent) => !at.current?.contains(event.target as Node) && onClose();
    document.addEventListener('keydown', key);
    document.addEventListener('pointerdown', press);
    return () => {
      document.removeEventListener('keydown', key);
      document.removeEventListener('pointerdown', press);
    };
  }, [at, onClose]);
  return !slow || words === '' ? null : (
    <span role="status" className={OVER}>
      Opening: {words}
    </span>
  );
}

/** Stands in the place of what opens over the page where its code cannot be had: over the page as well, so that nothing moves. */
export const PlainOver = (props: { label: string; onClose: () => void; children: ReactNode }) => (
  <span role="note" aria-label={props.label} className={OVER}>
    <span className="block">{props.children}</span>
    <button type="button" className="link min-h-[44px]" onClick={props.onClose}>
      Close
    </button>
  </span>
);

/**
 * Like {@link late}, for what opens over the page: what comes late never comes up under a press meant for something else. The
 * press is answered before it is drawn, which may take a phone a while.
 */
export function lateOver<P extends Opened>(
  load: () => Promise<ComponentType<P>>,
  plain: ComponentType<P>,
): ComponentType<P> {
  const code = codeOf(load);
  return function LateOver(props: P) {
    const [Part, setPart] = useState<ComponentType<P>>();
    const { typed } = props;
    const words = useTypedFor(typed);
    useEffect(() => {
      let gone = false;
      // Code that is here runs as soon as it is asked for: not before the press is answered.
      void painted()
        .then(code.fetched)
        .catch(() => plain)
        .then((part) => {
          if (gone) return;
          // Nobody types into what stands for it.
          if (part === plain && typed) typed.current = undefined;
          startTransition(() => setPart(() => part));
        });
      return () => {
        gone = true;
      };
    }, [typed]);
    return Part ? <Part {...props} /> : <UntilHere at={props.at} onClose={props.onClose} words={words} />;
  };
}
