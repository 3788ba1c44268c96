import { eachText } from './eachText';
import type { Paper, ReadDocument } from '../protocol/document';

/** How days are written where a paper is used. */
const LOCALES: Record<Paper, string> = { A4: 'en-GB', letter: 'en-US' };

// Making one takes longer than writing a hundred dates with it.
const writers = new Map<string, Intl.DateTimeFormat>();

/** Writes dates of a language, with the day or without. */
function writerOf(locale: string, day?: 'numeric'): Intl.DateTimeFormat {
  const key = `${locale} ${day}`;
  const there = writers.get(key);
  if (there) return there;
  const made = new Intl.DateTimeFormat(locale, { day, month: 'long', year: 'numeric', timeZone: 'UTC' });
  writers.set(key, made);
  return made;
}

/** A day with the name of its month, in a language: 19. Mai 2026. */
const dayIn = (day: string, locale: string): string =>
  writerOf(locale, 'numeric').format(new Date(`${day}T00:00:00Z`));

/** A day with the name of its month: 19 May 2026, or May 19, 2026. */
export const longDay = (day: string, paper: Paper): string => dayIn(day, LOCALES[paper]);

/** A month with its name: May 2027. */
const monthIn = (month: string, locale: string): string =>
  writerOf(locale).format(new Date(`${month}-01T00:00:00Z`));

/** A month of a year by itself; numbers of reports are none. */
const MONTH = /(?<![-\d])(19|20)\d{2}-(?:0[1-9]|1[0-2])(?![-\d])/g;
const DAY = /\b\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])\b/g;

/** A text with every day and month in it written out. */
export const longDaysIn = (text: string, locale: string): string =>
  text.replace(DAY, (day) => dayIn(day, locale)).replace(MONTH, (month) => monthIn(month, locale));

/** The same as the readers of a paper write them. */
export const longDays = (text: string, paper: Paper): string => longDaysIn(text, LOCALES[paper]);

/** The same document with every day and month written out. */
export const withLongDays = (doc: ReadDocument): ReadDocument =>
  eachText(doc, (text) => longDays(text, doc.paper));
