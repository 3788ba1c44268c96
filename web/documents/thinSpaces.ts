import type { ReadDocument } from '../protocol/document';
import { eachText } from './eachText';

/** What a figure is followed by. Inches are left out where the word may be the preposition. */
const UNITS =
  /(?<=\d) (?=(?:mm|cm|m|km|ha|L|kg|g|t|h|min|kPa|MPa|°C|°F|ft|yd|gal|lb|psi|acres?|in(?=$|[²³/.,;:)]| [±×]))(?![\p{L}\d'’-]))/gu;

/** Spaces at which no line ends: narrow on paper; of full width on screens, whose fonts have no narrow one. */
const SPACES = { paper: '\u202f', screen: '\u00a0' };

/** A text with each figure and its unit held together. */
export const thinSpaces = (text: string, on: keyof typeof SPACES): string => text.replace(UNITS, SPACES[on]);

/** A document as it is set for people: not where it is searched or read by a program. */
export const withThinSpaces = (doc: ReadDocument, on: keyof typeof SPACES): ReadDocument =>
  eachText(doc, (text) => thinSpaces(text, on));
