/** Languages in which a client can be written to. */
export const LANGUAGES = ['en', 'de'] as const;
export type Language = (typeof LANGUAGES)[number];
export const isLanguage = (text: string): text is Language => LANGUAGES.some((l) => l === text);

/** Each in its own words. */
export const LANGUAGE_NAMES: Record<Language, string> = { en: 'English', de: 'Deutsch' };

/** Messages of a language by the English ones: values stand in braces, in the ICU format. */
export type Messages = Readonly<Record<string, string>>;

/** How days and figures are written; English by the paper of its readers. */
export const localeOf = (language: Language, paper: 'A4' | 'letter'): string =>
  language === 'de' ? 'de-DE' : paper === 'letter' ? 'en-US' : 'en-GB';
