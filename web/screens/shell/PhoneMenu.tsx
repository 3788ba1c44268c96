'use client';

import { Menu } from 'lucide-react';
import { useRef, useState } from 'react';
import { useAlive } from '../../ui/controls/Entry';
import { lateOver, type Opened } from '../../ui/late';
import { PageLink } from '../../ui/PageLink';
import type { MenuProps } from './menu';

const PhoneMenuList = lateOver<MenuProps & Opened>(
  () => import('./PhoneMenuList').then((m) => m.PhoneMenuList),
  ({ entries, onClose }) => (
    <span
      role="group"
      aria-label="Menu"
      className="absolute right-0 top-[48px] z-50 w-[15rem] bg-sheet border-2 border-ink"
    >
      {entries.map(
        (entry) =>
          'href' in entry && (
            <PageLink key={entry.label} href={entry.href} className="min-h-[48px] px-4 flex items-center">
              {entry.label}
            </PageLink>
          ),
      )}
      <button type="button" className="link min-h-[48px] px-4" onClick={onClose}>
        Close
      </button>
    </span>
  ),
);

/** On a phone: everything that the bar of a desk shows beside its title. The list comes with the first press. */
export function PhoneMenu(props: MenuProps) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  return (
    <span className="sm:hidden relative -mr-2">
      <button
        ref={button}
        type="button"
        className="w-[44px] h-[48px] inline-flex items-center justify-center"
        aria-label="Menu"
        aria-haspopup="menu"
        aria-expanded={open}
        disabled={!useAlive()}
        onClick={() => setOpen(true)}
      >
        <Menu aria-hidden="true" size={24} />
      </button>
      {open && (
        <PhoneMenuList
          {...props}
          at={button}
          onClose={() => {
            setOpen(false);
            // Once the list is gone: until then it holds the focus.
            setTimeout(() => button.current?.focus());
          }}
        />
      )}
    </span>
  );
}
