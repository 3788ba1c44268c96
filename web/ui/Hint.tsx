'use client';

import { Popover } from 'radix-ui';
import type { RefObject } from 'react';

/** What a term means, beside where it stands. */
export function Hint(props: {
  term: string;
  means: string;
  at: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
}) {
  return (
    <Popover.Root open onOpenChange={(open) => !open && props.onClose()}>
      <Popover.Anchor virtualRef={props.at as RefObject<HTMLButtonElement>} />
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          aria-label={props.term}
          // The press on the term that closes it is the term's own.
          onInteractOutside={(event) =>
            props.at.current?.contains(event.target as Node) && event.preventDefault()
          }
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            props.at.current?.focus();
          }}
          className="z-40 w-[20rem] max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink p-3 text-base leading-snug"
        >
          {props.means}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
