'use client';

import { DropdownMenu } from 'radix-ui';
import { Menu } from 'lucide-react';
import { PageLink } from '../../ui/PageLink';
import { useAlive } from '../../ui/controls/Entry';
import { THEME_WORDS, THEMES, type Theme } from './themes';

/** Something of the page that a phone has no room for in its bar. */
export type MenuEntry =
  | { label: string; href: string }
  | { label: string; act: () => void; disabled?: boolean };

const OFFICE: readonly MenuEntry[] = [
  { label: 'Properties', href: '/grounds' },
  { label: 'Season', href: '/season' },
  { label: 'Practice', href: '/practice' },
  { label: 'This device', href: '/device' },
  { label: 'Account', href: '/account' },
];

const ITEM =
  'min-h-[48px] px-4 flex items-center gap-3 outline-none no-underline text-ink data-[highlighted]:bg-ink data-[highlighted]:text-sheet data-[disabled]:text-muted';

const Entry = ({ entry }: { entry: MenuEntry }) =>
  'href' in entry ? (
    <DropdownMenu.Item asChild className={ITEM}>
      <PageLink href={entry.href}>{entry.label}</PageLink>
    </DropdownMenu.Item>
  ) : (
    <DropdownMenu.Item className={ITEM} disabled={entry.disabled ?? false} onSelect={entry.act}>
      {entry.label}
    </DropdownMenu.Item>
  );

/** On a phone: everything that the bar of a desk shows beside its title. */
export function PhoneMenu(props: {
  entries: readonly MenuEntry[];
  theme: Theme;
  onTheme: (theme: Theme) => void;
  onFind: () => void;
}) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        className="sm:hidden w-[44px] h-[48px] -mr-2 inline-flex items-center justify-center"
        aria-label="Menu"
        disabled={!useAlive()}
      >
        <Menu aria-hidden="true" size={24} />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="z-50 w-[15rem] max-h-[85dvh] overflow-y-auto bg-sheet border-2 border-ink"
        >
          {props.entries.map((entry) => (
            <Entry key={entry.label} entry={entry} />
          ))}
          {props.entries.length > 0 && <DropdownMenu.Separator className="border-t border-ink" />}
          <DropdownMenu.Item className={ITEM} onSelect={props.onFind}>
            Find
          </DropdownMenu.Item>
          {OFFICE.map((entry) => (
            <Entry key={entry.label} entry={entry} />
          ))}
          <DropdownMenu.Separator className="border-t border-ink" />
          <DropdownMenu.RadioGroup
            value={props.theme}
            onValueChange={(value) => props.onTheme(THEMES.find((t) => t === value)!)}
          >
            {THEMES.map((theme) => (
              <DropdownMenu.RadioItem key={theme} value={theme} className={ITEM}>
                <span className="w-4">
                  <DropdownMenu.ItemIndicator>✓</DropdownMenu.ItemIndicator>
                </span>
                {THEME_WORDS[theme]}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
