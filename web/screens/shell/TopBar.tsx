'use client';

import { useCallback, useEffect, useRef, useState, type ReactNode } from 'react';
import { PageLink } from '@/ui/PageLink';
import { useAlive } from '../../ui/controls/Entry';
import { lateOver, PlainOver, type Opened } from '../../ui/late';
import { DeviceState } from './DeviceState';
import { usePreferences, useUnitChoice } from './preferences';
import type { MenuEntry } from './menu';
import { PhoneMenu } from './PhoneMenu';
import { THEME_WORDS, THEMES } from './themes';

const Palette = lateOver<Opened>(
  () => import('./Palette').then((m) => m.Palette),
  ({ onClose }) => (
    <PlainOver label="Find" onClose={onClose}>
      The search is not on this device: it needs signal once.
    </PlainOver>
  ),
);

const NO_ENTRIES: readonly MenuEntry[] = [];

/** Whether keys typed now belong to a field. */
const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName);

export function TopBar({
  children,
  right,
  menu = NO_ENTRIES,
}: {
  children?: ReactNode;
  right?: ReactNode;
  /** What of the page a phone shows in its menu alone. */
  menu?: readonly MenuEntry[];
}) {
  const { theme, setTheme } = usePreferences();
  const [units, setUnits] = useUnitChoice();
  const alive = useAlive();
  const [finding, setFinding] = useState(false);
  const find = useRef<HTMLButtonElement>(null);
  const typed = useRef<string>(undefined);
  const found = useCallback(() => setFinding(false), []);
  useEffect(() => {
    const open = (event: KeyboardEvent) => {
      const asked =
        (event.key === '/' && !inField(event.target)) ||
        (event.key === 'k' && (event.ctrlKey || event.metaKey));
      if (!asked) return;
      event.preventDefault();
      setFinding(true);
    };
    window.addEventListener('keydown', open);
    return () => window.removeEventListener('keydown', open);
  }, []);
  return (
    <header className="no-print flex items-center gap-x-2 sm:gap-x-4 border-b-2 border-ink bg-sheet px-4 min-h-[48px] flex-wrap">
      <PageLink href="/grounds" className="plain font-bold min-h-[44px] inline-flex items-center">
        <Emblem />
        <span className="sr-only sm:not-sr-only">Undrel</span>
      </PageLink>
      <DeviceState />
      <div className="flex-1 min-w-0">{children}</div>
      {right}
      <button
        ref={find}
        type="button"
        className="min-h-[44px] hidden sm:inline"
        disabled={!alive}
        onClick={() => setFinding(true)}
      >
        Find <kbd className="border border-ink px-1.5 text-sm">/</kbd>
      </button>
      <button
        type="button"
        className="min-h-[44px] min-w-[44px]"
        aria-label={`cm in, units: ${units === 'metric' ? 'metric' : 'US'}, change`}
        disabled={!alive}
        onClick={() => setUnits(units === 'metric' ? 'us' : 'metric')}
      >
        <span className={units === 'metric' ? 'font-bold underline underline-offset-4' : 'text-muted'}>
          cm
        </span>{' '}
        <span className={units === 'us' ? 'font-bold underline underline-offset-4' : 'text-muted'}>in</span>
      </button>
      <button
        type="button"
        className="min-h-[44px] hidden sm:inline"
        aria-label={`${THEME_WORDS[theme]} theme, change`}
        disabled={!alive}
        onClick={() => setTheme(THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]!)}
      >
        {THEME_WORDS[theme]}
      </button>
      <OfficeNav />
      <PhoneMenu entries={menu} theme={theme} onTheme={setTheme} onFind={() => setFinding(true)} />
      {finding && <Palette at={find} onClose={found} typed={typed} />}
    </header>
  );
}

function Emblem() {
  return (
    <svg viewBox="0 0 32 32" width="28" height="28" aria-hidden="true" className="sm:hidden">
      <path d="M0 14h32v18H0z" fill="var(--loam)" />
      <path
        d="M12 0h8v14c0 5 3 7 9 9H3c6-2 9-4 9-9z"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="2"
      />
      <path d="M0 14h12m8 0h12" stroke="var(--ink)" strokeWidth="2" />
    </svg>
  );
}

function OfficeNav() {
  return (
    <nav className="hidden sm:flex gap-4" aria-label="Office">
      <PageLink href="/season" className="plain min-h-[44px] inline-flex items-center">
        Season
      </PageLink>
      <PageLink href="/practice" className="plain min-h-[44px] inline-flex items-center">
        Practice
      </PageLink>
      <PageLink href="/account" className="plain min-h-[44px] inline-flex items-center">
        Account
      </PageLink>
    </nav>
  );
}
