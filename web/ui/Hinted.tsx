'use client';

import { useRef, useState, type RefObject } from 'react';
import type { Piece } from '@undrel/core/vocabulary';
import { late } from './late';

interface HintProps {
  term: string;
  means: string;
  at: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
}
const Hint = late<HintProps>(
  () => import('./Hint').then((m) => m.Hint),
  ({ means }) => <span role="note"> ({means})</span>,
);

/** A term with a hint of what it means, opened by a touch, a click or the keyboard. */
function Term({ text, means }: Required<Piece>) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
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
      {open && <Hint term={text} means={means} at={button} onClose={() => setOpen(false)} />}
    </>
  );
}

/** A text whose terms are explained, cut by `withTerms` where each first stands on the page. */
export const Hinted = ({ pieces }: { pieces: readonly Piece[] }) =>
  pieces.map(({ text, means }, i) => (means ? <Term key={i} text={text} means={means} /> : text));
