import { byLabel } from '@undrel/core/labels';

/** The name of a label without its number, and the number: `Katsura` and `14` of `Katsura 14`. */
function parts(label: string): { name: string; number: string } {
  const match = /^(.*?)\s*(\d+\s*[a-z]?)$/i.exec(label.trim());
  return match ? { name: match[1]!.trim(), number: match[2]! } : { name: label.trim(), number: '' };
}

/**
 * Labels short enough for a plan that still say which tree: as few first letters of the name as tell it from the other
 * names, and the number. A name that stands alone, without a number, stays whole.
 *
 * @returns each short label, and what each beginning stands for where there are several
 */
export function shortLabels(labels: readonly string[]): {
  short: string[];
  key: { letters: string; name: string }[];
} {
  const all = labels.map(parts);
  const names = [...new Set(all.filter((p) => p.number !== '' && p.name !== '').map((p) => p.name))];
  // Where all trees are of one name their numbers do, unless a number stands without a name beside them.
  const alone = names.length < 2 && !(names.length === 1 && all.some((p) => p.name === ''));
  const lettersOf = new Map(
    names.map((name) => {
      for (let n = 1; n < name.length; n++) {
        const begin = name.slice(0, n).trim();
        const clash = names.some(
          (other) => other !== name && other.toLowerCase().startsWith(begin.toLowerCase()),
        );
        if (!clash) return [name, begin];
      }
      return [name, name];
    }),
  );
  return {
    short: all.map(({ name, number }) =>
      number === '' ? name : alone ? number : `${lettersOf.get(name) ?? ''}${number}`,
    ),
    key: alone ? [] : names.toSorted(byLabel).map((name) => ({ letters: lettersOf.get(name)!, name })),
  };
}
