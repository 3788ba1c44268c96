import { IntlMessageFormat } from 'intl-messageformat';
import type { Messages } from './languages';

/** What a language needs beside its messages. */
export interface Speech {
  /** BCP 47. */
  locale: string;
  messages: Messages;
  /** First words that are written small within a sentence; all others are nouns or names. */
  small: readonly string[];
  /** Sides of a stem that are written otherwise than N, NE, E, SE, S, SW, W and NW. */
  sides: Readonly<Record<string, string>>;
}

/**
 * A text in another language; undefined where it is not known.
 *
 * Texts of the product are put together from messages: a message with its values, several messages as sentences, or lists
 * of them. They are taken apart by the same messages, and each part is said anew.
 */
export type Say = (text: string) => string | undefined;

/** What is said in a language: texts by its messages, and trees by their names. */
export interface Tongue {
  say: Say;
  /** A tree by its botanical name with what it is called, from both as they are kept. */
  species: (kept: string) => string;
}

const UNIT = '(?:cm|mm|m|in|ft|m²|ft²|m³|yd³|ft³|L|gal|kg|lb|h)';
/** What a placeholder of a message may hold, by how its name begins. */
const HOLDS: readonly { begins: RegExp; text: string }[] = [
  { begins: /^own/, text: '.+' },
  { begins: /^sides/, text: '[NESW]{1,2}(?:, [NESW]{1,2})*' },
  { begins: /^day/, text: '\\d{4}(?:-\\d\\d){0,2}' },
  { begins: /^q/, text: `[\\d.,]+(?: ± [\\d.,]+)?(?: ${UNIT}|%)?` },
  { begins: /^n/, text: '\\d[\\d,]*(?:\\.\\d+)?' },
  { begins: /^rootsStop/, text: '2 MPa|300 psi' },
  { begins: /^month/, text: '[A-Z][a-z]+' },
  { begins: /^money/, text: '(?:[€$£¥]|[A-Z]{2,3}[ \\u00a0])[\\d,.]*\\d' },
  { begins: /^m/, text: '(?:[\\d.,]+(?: ± [\\d.,]+)? (?:cm|mm|m|in|ft)|[\\d.]+-[\\d.]+ (?:cm|m|in|ft))' },
];
/** What is taken as it is stays within its sentence. */
const NO_SENTENCE = '(?:(?![.:;] \\p{Lu}).)+?';
const PLACE = /\{(\w+)\}/g;
const quoted = (text: string): string => text.replace(/[.*+?^${}()|[\]\\/]/g, '\\$&');

interface Pattern {
  matches: RegExp;
  names: string[];
  message: IntlMessageFormat;
  /** Letters that are the message's own: the more, the surer it is meant. */
  own: number;
  /** What stands before, between and after its placeholders: a text without all of them is not tried. */
  fixed: { first: string; last: string; between: string[] };
}

const mayMatch = ({ first, last, between }: Pattern['fixed'], text: string): boolean =>
  text.startsWith(first) && text.endsWith(last) && between.every((part) => text.includes(part));

function patternOf(key: string, message: string, locale: string): Pattern {
  const names: string[] = [];
  const parts = key.split(PLACE).map((part, i) => {
    if (i % 2 === 0) return quoted(part);
    names.push(part);
    const held = HOLDS.find(({ begins }) => begins.test(part) && part !== 'name' && !/^name\d/.test(part));
    return `(${held?.text ?? (/^(x|list)/.test(part) ? '.+?' : NO_SENTENCE)})`;
  });
  const fixed = key.split(PLACE).filter((_, i) => i % 2 === 0);
  return {
    matches: new RegExp(`^${parts.join('')}$`, 'u'),
    names,
    message: new IntlMessageFormat(message, locale),
    own: key.replace(PLACE, '').length,
    fixed: { first: fixed[0]!, last: fixed.at(-1)!, between: fixed.slice(1, -1) },
  };
}

/** A function of a place in a row, worked out once for each: rows are parted in many ways that end alike. */
function once<T>(work: (place: number) => T): (place: number) => T {
  const known = new Map<number, T>();
  return (place) => {
    if (!known.has(place)) known.set(place, work(place));
    return known.get(place)!;
  };
}

/** How many texts and pieces of texts are remembered: those of some ten records. */
const MOST = 20_000;

/** Says texts in a language by its messages, which are made ready when the first text is said. */
export function sayer(speech: Speech): Say {
  let made: Say | undefined;
  return (text) => (made ??= madeReady(speech))(text);
}

/** What a language's messages are made ready to: texts said whole, patterns, and what was said before. */
interface Ready {
  locale: string;
  small: readonly string[];
  sides: Readonly<Record<string, string>>;
  plain: ReadonlyMap<string, string>;
  /** Patterns by the letter they begin with, those that begin with a placeholder among them; and these alone. */
  byLetter: ReadonlyMap<string, Pattern[]>;
  open: readonly Pattern[];
  memory: Map<string, string | undefined>;
  tried: Map<string, string | undefined>;
}

function madeReady({ locale, messages, small, sides }: Speech): Say {
  const plain = new Map<string, string>();
  const patterns: Pattern[] = [];
  for (const [key, message] of Object.entries(messages)) {
    if (/\{\w+\}/.test(key)) patterns.push(patternOf(key, message, locale));
    else plain.set(key, message);
  }
  patterns.sort((a, b) => b.own - a.own);
  const open = patterns.filter(({ fixed }) => fixed.first === '');
  const byLetter = new Map<string, Pattern[]>();
  for (const { fixed } of patterns) {
    const letter = fixed.first.charAt(0);
    if (letter && !byLetter.has(letter))
      byLetter.set(
        letter,
        patterns.filter(({ fixed: { first } }) => first === '' || first.startsWith(letter)),
      );
  }
  const memory = new Map<string, string | undefined>();
  const tried = new Map<string, string | undefined>();
  const ready: Ready = { locale, small, sides, plain, byLetter, open, memory, tried };
  return (text) => {
    // Between two texts nothing is being worked out.
    if (memory.size + tried.size > MOST) {
      memory.clear();
      tried.clear();
    }
    return say(ready, text);
  };
}

const BEGINS = /^\p{Lu}/u;
const upper = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** One message, with its first letter as it stands in the text. */
function phrase({ plain, small }: Ready, text: string): string | undefined {
  const exact = plain.get(text);
  if (exact !== undefined) return exact;
  const lower = (said: string) =>
    small.some((word) => said.startsWith(`${word} `)) ? said.charAt(0).toLowerCase() + said.slice(1) : said;
  const first = text.charAt(0);
  const other = first === first.toLowerCase() ? upper(text) : first.toLowerCase() + text.slice(1);
  const flipped = plain.get(other);
  return flipped && (first === first.toLowerCase() ? lower(flipped) : upper(flipped));
}

/** What follows from a text, worked out once; while it is, the text within itself is not known. */
function remembered(
  known: Map<string, string | undefined>,
  text: string,
  work: (text: string) => string | undefined,
): string | undefined {
  if (!known.has(text)) {
    known.set(text, undefined);
    known.set(text, work(text));
  }
  return known.get(text);
}

const say = (ready: Ready, text: string): string | undefined =>
  remembered(
    ready.memory,
    text,
    (whole) =>
      phrase(ready, whole) ?? byPattern(ready, whole) ?? bySentences(ready, whole) ?? inRow(ready, whole),
  );

/** The value of a placeholder; undefined where it should be known and is not. */
function valueOf(ready: Ready, name: string, value: string): string | number | undefined {
  if (/^n\d?$/.test(name)) return Number(value.replaceAll(',', ''));
  if (/^(x|month)/.test(name)) return say(ready, value);
  if (/^own/.test(name)) return value;
  if (/^sides/.test(name)) return value.replace(/[NESW]+/g, (side) => ready.sides[side] ?? side);
  if (name === 'listBecause') return listed(ready, value, /, | and /, 'conjunction', 'because ');
  if (name === 'listAnd') return listed(ready, value, /, | and /, 'conjunction');
  if (name === 'listOr') return listed(ready, value, /, | or /, 'disjunction');
  if (name === 'listSemi') return listed(ready, value, /; /, '; ');
  if (name.startsWith('list')) return listed(ready, value, /, /, ', ');
  return phrase(ready, value) ?? value;
}

const byPattern = (ready: Ready, text: string): string | undefined =>
  remembered(ready.tried, text, (piece) => firstOf(ready, piece));

function firstOf(ready: Ready, text: string): string | undefined {
  const { byLetter, open } = ready;
  for (const { matches, names, message, fixed } of byLetter.get(text.charAt(0)) ?? open) {
    const match = mayMatch(fixed, text) && matches.exec(text);
    if (!match) continue;
    const values: Record<string, string | number> = {};
    for (const [i, name] of names.entries()) {
      const value = valueOf(ready, name, match[i + 1]!);
      if (value === undefined) break;
      values[name] = value;
    }
    if (!names.every((name) => name in values)) continue;
    const whole = String(message.format(values));
    return BEGINS.test(text) ? upper(whole) : whole;
  }
  return undefined;
}

/**
 * A list whose items may themselves hold what parts a list: the parts are joined until each is known. An item that is said
 * otherwise after a word before it, as a reason is after `because`, has a message of its own with that word.
 */
function listed(
  ready: Ready,
  text: string,
  by: RegExp,
  how: 'conjunction' | 'disjunction' | ', ' | '; ',
  before = '',
): string | undefined {
  const cuts = [...text.matchAll(new RegExp(by, 'g'))].map((m) => [m.index, m.index + m[0].length] as const);
  const ends = [...cuts.map(([from]) => from), text.length];
  const starts = [0, ...cuts.map(([, to]) => to)];
  const from = once((k: number): string[] | undefined => {
    if (k === starts.length) return [];
    for (let e = ends.length - 1; e >= k; e--) {
      const item = text.slice(starts[k], ends[e]);
      const said =
        (before && ready.plain.get(before + item.charAt(0).toLowerCase() + item.slice(1))) ||
        (phrase(ready, item) ?? byPattern(ready, item));
      const rest = said === undefined ? undefined : from(e + 1);
      if (said !== undefined && rest) return [said, ...rest];
    }
    return undefined;
  });
  const items = from(0);
  if (!items) return undefined;
  return how === ', ' || how === '; '
    ? items.join(how)
    : new Intl.ListFormat(ready.locale, { type: how }).format(items);
}

/** Messages in a row, parted by semicolons. */
const inRow = (ready: Ready, text: string): string | undefined =>
  text.includes('; ') ? listed(ready, text, /; /, '; ') : undefined;

function bySentences(ready: Ready, text: string): string | undefined {
  const sentences = text.split(/(?<=[.!?:]) (?=\S)/);
  if (sentences.length < 2) return undefined;
  const from = once((k: number): string[] | undefined => {
    if (k === sentences.length) return [];
    for (let e = k + 1; e <= sentences.length; e++) {
      const piece = sentences.slice(k, e).join(' ');
      const said = phrase(ready, piece) ?? byPattern(ready, piece);
      const rest = said === undefined ? undefined : from(e);
      if (said !== undefined && rest) return [said, ...rest];
    }
    return undefined;
  });
  return from(0)?.join(' ');
}
