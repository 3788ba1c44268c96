/** A label as it stands within a sentence: its first letter small, unless the word begins with more than one capital, as DBH. */
export const inSentence = (label: string): string =>
  /^\p{Lu}\p{Lu}/u.test(label) ? label : label.charAt(0).toLowerCase() + label.slice(1);
