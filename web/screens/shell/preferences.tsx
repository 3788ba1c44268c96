'use client';

import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';
import type { UnitSystem } from '@undrel/core/units';
import type { Theme } from './themes';

interface Preferences {
  units: UnitSystem;
  theme: Theme;
  setUnits(units: UnitSystem): void;
  setTheme(theme: Theme): void;
}

const Context = createContext<Preferences | undefined>(undefined);

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
  const value = useMemo(() => ({ units, theme, setUnits, setTheme }), [units, theme, setUnits, setTheme]);
  return <Context.Provider value={value}>{props.children}</Context.Provider>;
}

export function usePreferences(): Preferences {
  const value = useContext(Context);
  if (!value) throw new Error('Preferences are missing above this component.');
  return value;
}
