/** Characters that a message of the export names as in none of the fonts. */
const unknownIn = (message: string): string[] =>
  [...message.matchAll(/the text `\\?"(.+?)\\?"` could not be displayed/gu)].flatMap(([, text]) => [
    ...text!.replace(/\\u\{([0-9a-f]+)\}/gi, (_, code: string) => String.fromCodePoint(parseInt(code, 16))),
  ]);

const STANDS_FOR_UNKNOWN = '□';
const codeOf = (character: string) =>
  `U+${character.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`;

/** The same with a mark for each such character, wherever it stands. */
const marked = <T>(value: T, unknown: ReadonlySet<string>): T =>
  JSON.parse(
    JSON.stringify(value, (_, part: unknown) =>
      typeof part === 'string'
        ? [...part].map((c) => (unknown.has(c) ? STANDS_FOR_UNKNOWN : c)).join('')
        : part,
    ),
  ) as T;

/** That a mark stands for characters which the fonts lack, and which ones. */
function toldOf(unknown: ReadonlySet<string>): string {
  const codes = [...unknown].map(codeOf);
  const named = codes.length > 12 ? `${codes.slice(0, 12).join(', ')} and others` : codes.join(', ');
  return `${STANDS_FOR_UNKNOWN} stands for characters that no font here holds: ${named}`;
}

/**
 * Sets something on paper; a character that no font holds is marked, and said which it was.
 *
 * @param set is given the data, and what is to be said of characters where there are any
 * @throws where it cannot be set for another reason
 */
export function inKnownLetters<T, R>(data: T, set: (data: T, told: string | undefined) => R): R {
  const unknown = new Set<string>();
  for (;;) {
    try {
      return unknown.size > 0 ? set(marked(data, unknown), toldOf(unknown)) : set(data, undefined);
    } catch (error) {
      const more = unknownIn(String(error)).filter((c) => c !== STANDS_FOR_UNKNOWN && !unknown.has(c));
      if (more.length === 0) throw error;
      for (const c of more) unknown.add(c);
    }
  }
}
