'use client';

import { Popover } from 'radix-ui';
import type { Piece } from '@undrel/core/vocabulary';

/** A term with a hint of what it means, opened by a touch, a click or the keyboard. */
function Term({ text, means }: Required<Piece>) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <button
          type="button"
          className="inline text-left font-[inherit] underline decoration-dotted decoration-1 underline-offset-4"
        >
          {text}
        </button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          aria-label={text}
          className="z-40 w-[20rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink p-3 text-base leading-snug"
        >
          {means}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** A text whose terms are explained, cut by `withTerms` where each first stands on the page. */
export const Hinted = ({ pieces }: { pieces: readonly Piece[] }) =>
  pieces.map(({ text, means }, i) => (means ? <Term key={i} text={text} means={means} /> : text));
