import messages from './de.json' with { type: 'json' };
import { speciesFor } from '@undrel/core/species';
import trees from './deTrees.json' with { type: 'json' };
import { sayer, type Say, type Tongue } from './translate';

/** Words that begin a message and are written small within a sentence. */
const SMALL = [
  'Zu',
  'Einengendes',
  'Nicht',
  'Verdichteter',
  'Staunasser',
  'Bei',
  'Primärer',
  'Totes',
  'Auf',
  'Prüfen,',
  'An',
  'In',
  'Von',
  'Gefällt,',
  'So',
  'Stehen',
  'Herausheben',
];

/** German, by its message file. */
export const inGerman: Say = sayer({
  locale: 'de-DE',
  messages,
  small: SMALL,
  sides: { E: 'O', NE: 'NO', SE: 'SO' },
});

/** German names of the species and genera of the table. From memory, checked against no list. */
const TREES: Readonly<Record<string, string>> = trees;

/** What is not in the table stands by its botanical name alone. */
const speciesInGerman = (kept: string): string => {
  const [botanical = ''] = kept.split(', ');
  const name = TREES[speciesFor(botanical)?.species.name ?? ''];
  return name ? `${botanical}, ${name}` : botanical;
};

export const GERMAN: Tongue = { say: inGerman, species: speciesInGerman };
