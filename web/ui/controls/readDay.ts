import { format, isValid, parse } from 'date-fns';

/** Ways in which a day may be typed; numbers alone are read year first, so that none is taken for another. */
const WAYS = [
  'yyyy-MM-dd',
  'yyyy-M-d',
  'd MMMM yyyy',
  'd MMM yyyy',
  'MMMM d, yyyy',
  'MMM d, yyyy',
  'd MMMM, yyyy',
];

/** The ISO day that a text says, whichever way; undefined where it says none. */
export function readDay(text: string): string | undefined {
  const clean = text
    .trim()
    .replace(/(\d)(st|nd|rd|th)\b/, '$1')
    .replace(/\.(?= )/g, '');
  for (const way of WAYS) {
    const day = parse(clean, way, new Date(2000, 0, 1));
    if (isValid(day) && day.getFullYear() >= 1700 && day.getFullYear() < 2200)
      return format(day, 'yyyy-MM-dd');
  }
  return undefined;
}

/** What is wrong with a day as typed, naming the field, the value and the allowed range; undefined where nothing is. */
export function dayProblem(label: string, text: string, min?: string, max?: string): string | undefined {
  const range =
    min && max
      ? `${min} to ${max}`
      : min
        ? `${min} or later`
        : max
          ? `${max} or earlier`
          : 'YYYY-MM-DD, or 6 May 2026';
  const day = readDay(text);
  if (day === undefined) return `${label}: “${text}” is not a day; allowed: ${range}.`;
  if ((min && day < min) || (max && day > max))
    return `${label}: ${day} is outside what is allowed: ${range}.`;
  return undefined;
}
