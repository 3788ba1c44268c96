'use client';

import { useCallback, useRef, useState } from 'react';
import type { Piece } from '@undrel/core/vocabulary';
import { lateOver, PlainOver, type Opened } from './late';

const Hint = lateOver<Opened & { term: string; means: string }>(
  () => import('./Hint').then((m) => m.Hint),
  ({ term, means, onClose }) => (
    <PlainOver label={term} onClose={onClose}>
      {means}
    </PlainOver>
  ),
);

/** A term with a hint of what it means, opened by a touch, a click or the keyboard. */
function Term({ text, means }: Required<Piece>) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const close = useCallback(() => setOpen(false), []);
  return (
    <>
      <button
        ref={button}
        type="button"
        aria-haspopup="dialog"
        aria-expanded={open}
        onClick={() => setOpen(!open)}
        className="inline text-left font-[inherit] underline decoration-dotted decoration-1 underline-offset-4"
      >
        {text}
      </button>
      {open && <Hint term={text} means={means} at={button} onClose={close} />}
    </>
  );
}

/** A text whose terms are explained, cut by `withTerms` where each first stands on the page. */
export const Hinted = ({ pieces }: { pieces: readonly Piece[] }) =>
  pieces.map(({ text, means }, i) => (means ? <Term key={i} text={text} means={means} /> : text));
