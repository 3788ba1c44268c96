'use client';

import {
  createContext,
  startTransition,
  useCallback,
  useContext,
  useEffect,
  useLayoutEffect,
  useMemo,
  useOptimistic,
  useState,
  type ReactNode,
} from 'react';
import type { UnitSystem } from '@undrel/core/units';
import { whenNothingHeld } from '../../ui/controls/typedAhead';
import { painted } from '../../ui/painted';
import { THEMES, type Theme } from './themes';

interface Preferences {
  units: UnitSystem;
  theme: Theme;
  /** Whether the bright theme comes and goes with the light. */
  byLight: boolean;
  /** All that is shown follows once it is ready; what was pressed shows it at once, by `useUnitChoice`. */
  setUnits(units: UnitSystem): void;
  setTheme(theme: Theme): void;
  setByLight(byLight: boolean): void;
}

const Context = createContext<Preferences | undefined>(undefined);

const kept = (name: string): string | undefined =>
  new RegExp(`(?:^|; )${name}=(\\w+)`).exec(document.cookie)?.[1];

const remember = (name: string, value: string) => {
  document.cookie = `${name}=${value}; path=/; max-age=31536000; samesite=lax`;
};

/** Whether one stands in the sun, where that is asked for; the sensor's code comes only then. */
function useSun(asked: boolean): boolean {
  const [sun, setSun] = useState(false);
  useEffect(() => {
    if (!asked) return;
    let leave: (() => void) | undefined;
    let gone = false;
    void import('../../device/sensors/light').then(
      ({ watchLight }) => (leave = gone ? undefined : watchLight(setSun)),
      () => undefined,
    );
    return () => {
      gone = true;
      leave?.();
      setSun(false);
    };
  }, [asked]);
  return sun;
}

/** Units and theme of this device; kept in cookies so that the server's first picture already follows them. */
export function PreferencesProvider(props: { units: UnitSystem; theme: Theme; children: ReactNode }) {
  const [units, keepUnits] = useState(props.units);
  const [chosen, keepTheme] = useState(props.theme);
  const [byLight, keepByLight] = useState(false);
  const theme = useSun(byLight) ? 'sun' : chosen;
  useLayoutEffect(() => {
    document.documentElement.dataset.theme = theme;
  }, [theme]);
  const setUnits = useCallback((next: UnitSystem) => {
    remember('undrel_units', next);
    startTransition(() => keepUnits(next));
  }, []);
  const setByLight = useCallback((next: boolean) => {
    remember('undrel_light', next ? 'on' : 'off');
    keepByLight(next);
  }, []);
  const setTheme = useCallback(
    (next: Theme) => {
      remember('undrel_theme', next);
      keepTheme(next);
      // What is chosen by a tap holds, whatever the light.
      setByLight(false);
    },
    [setByLight],
  );
  useEffect(() => {
    // A page that was kept on this device may be older than what was chosen since.
    const theme = THEMES.find((t) => t === kept('undrel_theme'));
    if (theme) keepTheme(theme);
    keepByLight(kept('undrel_light') === 'on');
    const units = kept('undrel_units');
    if (units === 'us' || units === 'metric') whenNothingHeld(() => keepUnits(units));
  }, []);
  const value = useMemo(
    () => ({ units, theme, byLight, setUnits, setTheme, setByLight }),
    [units, theme, byLight, setUnits, setTheme, setByLight],
  );
  return <Context.Provider value={value}>{props.children}</Context.Provider>;
}

export function usePreferences(): Preferences {
  const value = useContext(Context);
  if (!value) throw new Error('Preferences are missing above this component.');
  return value;
}

/** The units that were chosen last, before all that is shown in them has followed; and the way to choose others. */
export function useUnitChoice(): [UnitSystem, (units: UnitSystem) => void] {
  const { units, setUnits } = usePreferences();
  const [chosen, choose] = useOptimistic(units);
  return [
    chosen,
    (next) =>
      startTransition(async () => {
        choose(next);
        // All that is shown in units may take the processor for longer than a press may wait.
        await painted();
        setUnits(next);
      }),
  ];
}
