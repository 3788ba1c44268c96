'use client';

import { DropdownMenu } from 'radix-ui';
import type { Opened } from '../../ui/late';
import { PageLink } from '../../ui/PageLink';
import type { MenuEntry, MenuProps } from './menu';
import { THEME_WORDS, THEMES } from './themes';

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
    <DropdownMenu.Item className={ITEM} disabled={!entry.act} onSelect={entry.act}>
      {entry.label}
    </DropdownMenu.Item>
  );

/** The open menu of a phone, below the button that is its neighbour. */
export function PhoneMenuList(props: MenuProps & Opened) {
  return (
    <DropdownMenu.Root open onOpenChange={(open) => !open && props.onClose()}>
      <DropdownMenu.Trigger asChild>
        <span aria-hidden="true" tabIndex={-1} className="absolute inset-0 pointer-events-none" />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          aria-label="Menu"
          onCloseAutoFocus={(event) => event.preventDefault()}
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
