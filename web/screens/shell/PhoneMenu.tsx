'use client';

import dynamic from 'next/dynamic';
import { Menu } from 'lucide-react';
import { useRef, useState } from 'react';
import { useAlive } from '../../ui/controls/Entry';
import type { MenuProps } from './menu';

const PhoneMenuList = dynamic(() => import('./PhoneMenuList').then((m) => m.PhoneMenuList), { ssr: false });

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
          onClose={() => {
            setOpen(false);
            button.current?.focus();
          }}
        />
      )}
    </span>
  );
}
