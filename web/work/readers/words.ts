import { TREE_LETTERS } from '@undrel/core/records';
import type { Notes } from './notes';

/** Characters of the words of an outline: its name, and what it is. */
export const OUTLINE_LETTERS = 120;

const tooLong = (words: string, most: number): string | undefined =>
  words.length > most ? `${words.length} characters; at most ${most} are allowed` : undefined;

/** Why a tree cannot be brought in under a label; undefined where it can. */
export function labelProblem(label: string): string | undefined {
  if (!label) return 'no label';
  const long = tooLong(label, TREE_LETTERS.label);
  return long && `label: ${long}`;
}

/** Words of a tree as its record takes them; longer ones are left out, and it is told. */
export function treeWords(words: string, where: string, notes: Notes): string {
  const long = tooLong(words, TREE_LETTERS.words);
  if (!long) return words;
  notes.push(`${where}: ${long}; left empty.`);
  return '';
}

/** Words of an outline; the beginning of longer ones is kept, since it says what lies there, and it is told. */
export function outlineWords(words: string, where: string, notes: Notes): string {
  if (words.length <= OUTLINE_LETTERS) return words;
  notes.push(`${where}: ${words.length} characters; the first ${OUTLINE_LETTERS} are kept.`);
  return words.slice(0, OUTLINE_LETTERS);
}
