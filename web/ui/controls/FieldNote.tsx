'use client';

import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';

/**
 * A field with what is wrong with its value. The words float beside the field while somebody is in it, so that they
 * never move what can be pressed; the mark on the field stays until the value is right, and the words come back with
 * the next visit to it.
 *
 * @param id of the words, for the field's `aria-describedby`
 * @param note what is wrong, with the buttons that mend it, or nothing
 */
export function FieldNote({
  id,
  note,
  children,
}: {
  id: string;
  note: ReactNode | undefined;
  children: ReactNode;
}) {
  const [within, setWithin] = useState(false);
  const wrong = note !== undefined && note !== false && note !== null;
  return (
    <Popover.Root open={wrong && within}>
      <Popover.Anchor asChild>
        <span
          className="block"
          onFocus={() => setWithin(true)}
          onBlur={({ relatedTarget: next, currentTarget }) => {
            const stays = next instanceof Node && document.getElementById(id)?.contains(next);
            if (!stays && !currentTarget.contains(next)) setWithin(false);
          }}
        >
          {children}
          {wrong && !within && (
            <span id={id} hidden>
              {note}
            </span>
          )}
          <Popover.Portal>
            <Popover.Content
              id={id}
              role="alert"
              side="bottom"
              align="start"
              sideOffset={4}
              collisionPadding={8}
              className="z-50 w-[min(20rem,calc(100vw-1rem))] bg-sheet border-2 border-harm p-2.5 text-sm text-left"
              onOpenAutoFocus={(event) => event.preventDefault()}
              onCloseAutoFocus={(event) => event.preventDefault()}
              // A press on a button of the note leaves the field as it is until the button has been heard.
              onPointerDown={(event) => event.preventDefault()}
            >
              {note}
            </Popover.Content>
          </Popover.Portal>
        </span>
      </Popover.Anchor>
    </Popover.Root>
  );
}
