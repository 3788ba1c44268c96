import messages from './de.json' with { type: 'json' };
import { sayer, type Say } from './translate';

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
export const inGerman: Say = sayer({ locale: 'de-DE', messages, small: SMALL });
