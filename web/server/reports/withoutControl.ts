/** Characters that no XML file may hold and no font has; a word processor refuses a file with one. */
const CONTROL = /[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu;

/** A document without them, wherever they stand. */
export const withoutControl = <T>(value: T): T =>
  JSON.parse(
    JSON.stringify(value, (_, part: unknown) =>
      typeof part === 'string' ? part.replace(CONTROL, '') : part,
    ),
  ) as T;
