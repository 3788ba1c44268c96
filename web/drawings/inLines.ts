/** About how wide a letter is, by the size of its text. */
const LETTER = 0.52;

/** A text in lines no wider than this; the last one ends in … where more would follow. */
export function inLines(text: string, width: number, size: number, most: number): string[] {
  const fits = Math.max(4, Math.floor(width / (LETTER * size)));
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + 1 + word.length <= fits)
      lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word);
  }
  if (lines.length <= most) return lines;
  const kept = lines.slice(0, most);
  kept[most - 1] = `${kept[most - 1]!.slice(0, fits - 1)}…`;
  return kept;
}
