const WHEN = /^(\d{4})(?:-(\d{2})(?:-(\d{2}))?)?$/;

/** The year of `YYYY`, `YYYY-MM` or `YYYY-MM-DD`; undefined when it is none of these or no such day exists. */
export function yearOf(when: string): number | undefined {
  const read = WHEN.exec(when);
  if (!read) return undefined;
  const month = Number(read[2] ?? 1);
  const day = Number(read[3] ?? 1);
  const date = new Date(Date.UTC(Number(read[1]), month - 1, day));
  const exists = date.getUTCMonth() === month - 1 && date.getUTCDate() === day;
  return exists ? Number(read[1]) : undefined;
}

const MONTHS = new Intl.DateTimeFormat('en-GB', { month: 'long', timeZone: 'UTC' });

/** @param month 1 to 12 */
export const monthName = (month: number): string => MONTHS.format(Date.UTC(2023, month - 1, 15));
