export type Theme = 'paper' | 'dark' | 'sun';
export const THEMES: readonly Theme[] = ['paper', 'sun', 'dark'];
