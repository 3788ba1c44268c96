'use client';

import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { THEMES, type Theme } from './themes';

interface Preferences {
  units: UnitSystem;
  theme: Theme;
  setUnits(units: UnitSystem): void;
  setTheme(theme: Theme): void;
}

const Context = createContext<Preferences | undefined>(undefined);

const kept = (name: string): string | undefined =>
  new RegExp(`(?:^|; )${name}=(\\w+)`).exec(document.cookie)?.[1];

const remember = (name: string, value: string) => {
  document.cookie = `${name}=${value}; path=/; max-age=31536000; samesite=lax`;
};

/** Units and theme of this device; kept in cookies so that the server's first picture already follows them. */
export function PreferencesProvider(props: { units: UnitSystem; theme: Theme; children: ReactNode }) {
  const [units, keepUnits] = useState(props.units);
  const [theme, keepTheme] = useState(props.theme);
  const setUnits = useCallback((next: UnitSystem) => {
    remember('undrel_units', next);
    keepUnits(next);
  }, []);
  const setTheme = useCallback((next: Theme) => {
    remember('undrel_theme', next);
    document.documentElement.dataset.theme = next;
    keepTheme(next);
  }, []);
  useEffect(() => {
    // A page that was kept on this device may be older than what was chosen since.
    const theme = THEMES.find((t) => t === kept('undrel_theme'));
    if (theme) document.documentElement.dataset.theme = theme;
    if (theme) keepTheme(theme);
    const units = kept('undrel_units');
    if (units === 'us' || units === 'metric') keepUnits(units);
  }, []);
  const value = useMemo(() => ({ units, theme, setUnits, setTheme }), [units, theme, setUnits, setTheme]);
  return <Context.Provider value={value}>{props.children}</Context.Provider>;
}

export function usePreferences(): Preferences {
  const value = useContext(Context);
  if (!value) throw new Error('Preferences are missing above this component.');
  return value;
}
