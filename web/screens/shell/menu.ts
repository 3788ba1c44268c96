import type { Theme } from './themes';

/** Something of the page that a phone has no room for in its bar. */
export type MenuEntry =
  | { label: string; href: string }
  /** Without a deed it stands there, and cannot be chosen. */
  | { label: string; act: (() => void) | undefined };

export interface MenuProps {
  entries: readonly MenuEntry[];
  theme: Theme;
  onTheme: (theme: Theme) => void;
  onFind: () => void;
}
