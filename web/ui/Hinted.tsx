'use client';

import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import type { Piece } from '@undrel/core/vocabulary';

const Hint = dynamic(() => import('./Hint').then((m) => m.Hint), { ssr: false });

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
