export type Theme = 'paper' | 'dark' | 'sun';
export const THEMES: readonly Theme[] = ['paper', 'sun', 'dark'];
export const THEME_WORDS: Record<Theme, string> = { paper: 'Paper', sun: 'Sun', dark: 'Dark' };
