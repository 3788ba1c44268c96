'use client';

import { Popover } from 'radix-ui';
import { useRef, type ReactNode, type RefObject } from 'react';
import type { Opened } from './late';

/** What opens beside the button that was pressed; the button has the focus again, but for a press that went elsewhere. */
export function Beside({
  at,
  onClose,
  label,
  className,
  children,
}: Opened & { label: string; className: string; children: ReactNode }) {
  const elsewhere = useRef(false);
  return (
    <Popover.Root open onOpenChange={(open) => !open && onClose()}>
      <Popover.Anchor virtualRef={at as RefObject<HTMLElement>} />
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          collisionPadding={12}
          aria-label={label}
          onInteractOutside={(event) => {
            // The press on the button that closes it is the button's own.
            if (at.current?.contains(event.target as Node)) event.preventDefault();
            else elsewhere.current = true;
          }}
          onCloseAutoFocus={(event) => {
            event.preventDefault();
            if (!elsewhere.current) at.current?.focus();
          }}
          className={`z-40 max-w-[calc(100vw-24px)] bg-sheet border-2 border-ink ${className}`}
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
