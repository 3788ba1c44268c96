'use client';

import { Popover } from 'radix-ui';
import type { RefObject } from 'react';
import type { FieldWordsProps } from './fieldWordsProps';

/** What is wrong with a field, floating below it; takes no focus from it. */
export const FieldWords = (props: FieldWordsProps) => (
  <Popover.Root open>
    <Popover.Anchor virtualRef={props.at as RefObject<HTMLElement>} />
    <Popover.Portal>
      <Popover.Content
        id={props.id}
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
        {props.children}
      </Popover.Content>
    </Popover.Portal>
  </Popover.Root>
);
