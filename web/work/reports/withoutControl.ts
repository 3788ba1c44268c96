import { eachText } from '../../documents/eachText';

/** Characters that no XML file may hold and no font has; a word processor refuses a file with one. */
const CONTROL = /[^\P{Cc}\t\n\r]|[\ufffe\uffff]/gu;

/** A document without them, wherever they stand. */
export const withoutControl = <T>(value: T): T => eachText(value, (text) => text.replace(CONTROL, ''));
