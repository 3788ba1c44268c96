import type { Messages } from './languages';

/** What the page of an offer says around what was offered: messages, values in braces. */
export const OFFER_WORDS = [
  'for {name}',
  'Examined on {at}.',
  'Approved:',
  'by {name} on {at}.',
  'The firm has it; you need do nothing more.',
  'Section through the stem, as found',
  'As found.',
  'Section through the stem, after the work',
  'After the work.',
  'Photographs',
  'Your options',
  'Work now',
  'Over 10 years',
  'Chance of a sound tree',
  'Lost:',
  'Approve',
  'Your name',
  'A word to the firm, if you like',
  'Approving…',
  'Approve this option',
  'Your name, the day and what you see here are kept.',
  'The link is open until {at}.',
  'What treating it means',
  'With care',
  'Chances are judgements, with the range in which they may lie; sums over ten years are rounded to tens.',
  'This is an opinion from what could be examined, not a risk assessment.',
  'Made {at}.',
] as const;

/** The same of a notice to whoever mows and mulches. */
export const NOTICE_WORDS = [
  'Mulching and mowing at the trees of {name}',
  'Mulch in a flat ring clear of the bark, and a cone on the bark crossed out',
  'Mulch lies flat, {m} thick, and ends {m2} before the bark.',
  'Where there is too much it goes outward, not up.',
  'Never',
  'Trees that were treated',
  'no fertiliser before {at}',
  'Next check: from {at} on.',
  'For {name}.',
  'Received',
  'by {name} on {at}.',
  'Your name',
  'I have read it',
] as const;

/** Says one of the words of a page, with its values. */
export type Speaks<Word extends string> = (word: Word, values?: Readonly<Record<string, string>>) => string;

/** @param words in another language; without them English */
export const speaker =
  <Word extends string>(words?: Messages): Speaks<Word> =>
  (word, values = {}) =>
    (words?.[word] ?? word).replace(/\{(\w+)\}/g, (place, name: string) => values[name] ?? place);
