/** In how much detail a report is read: from the same content. */
export const LENGTHS = ['letter', 'report', 'record'] as const;
export type Length = (typeof LENGTHS)[number];

export const isLength = (text: string): text is Length => LENGTHS.some((length) => length === text);

/** Names of the lengths, what each is for with a tree and with a property, and how many pages that of a tree has at most. */
export const LENGTH_WORDS: Record<
  Length,
  { label: string; about: Record<'tree' | 'property', string>; pages?: number }
> = {
  letter: {
    label: 'Letter',
    about: {
      tree: 'For the client, two pages at most.',
      property: 'For the client, two pages at most.',
    },
    pages: 2,
  },
  report: {
    label: 'Report',
    about: {
      tree: 'Findings, verdict, costs and work, six pages at most.',
      property: 'All trees in one table, with costs.',
    },
    pages: 6,
  },
  record: {
    label: 'Full record',
    about: { tree: 'Everything there is, with its working.', property: 'Every tree, one after the other.' },
  },
};

/** Parts that a letter or a report may go without; the full record has all of them, and what is wrong and to be done always stays. */
export const LEAVABLE: Record<Length, readonly { key: string; label: string }[]> = {
  letter: [
    { key: 'costs', label: 'What it costs' },
    { key: 'otherwise', label: 'If nothing is done' },
    { key: 'pictures', label: 'Pictures or drawing' },
  ],
  report: [
    { key: 'ground', label: 'Roots and ground' },
    { key: 'pictures', label: 'Pictures' },
    { key: 'costs', label: 'Options and costs' },
    { key: 'schedule', label: 'Schedule' },
  ],
  record: [],
};
