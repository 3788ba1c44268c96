import { inSentence } from '../vocabulary/inSentence';
import { keeping } from '../kept';
import { labelOf, type NodeKey } from '../vocabulary/causes';
import type { Circumstance, JudgementTable, Often } from './judgement';
import { PRACTICE_TABLE } from './practiceTable';
import { HOW_OFTEN } from './words';
import { STRESS_WORDS, type Stress } from '../species';

/** A firm's own words in place of those the program ships with, by the address of the row. Each saving is a version. */
export interface FirmTable {
  version: number;
  words: Readonly<Record<string, Often>>;
}

/** One judgement of the table, as it is read and edited. */
export interface TableRow {
  /** `prior.CAUSE`, `mechanism.MECHANISM.NODE`, `finding.FINDING.NODE.ANSWER`; `alone` stands for no cause at work. */
  address: string;
  /** The sentence around the word: what is the case, and what follows. */
  given: string;
  then: string;
  often: Often;
  why: string;
  part: 'prior' | 'mechanism' | 'finding';
}

const CIRCUMSTANCES: Record<Exclude<Circumstance, `${Stress} ${string}`>, string> = {
  container: 'from a container',
  balled: 'balled or field-grown',
  bareRoot: 'bare-root',
  young: 'just planted',
  old: 'long established',
  mulchContract: 'with mulch under contract',
  street: 'beside a street',
  paved: 'in paving',
  built: 'on a construction site',
  transplanted: 'planted or moved within two years',
  inLeaf: 'moved in leaf',
  largeStock: 'moved with a stem of 6 cm or more',
  tender: 'of a species that roots slowly once moved',
  recovering: 'treated so lately that it still recovers',
};
/** What of a tree's history or species moves a prior, after its shift. */
function circumstanceWords(when: Circumstance): string {
  if (when in CIRCUMSTANCES) return CIRCUMSTANCES[when as keyof typeof CIRCUMSTANCES];
  const [stress, how] = when.split(' ') as [Stress, 'poor' | 'good'];
  return `where the species tolerates ${STRESS_WORDS[stress]} ${how === 'poor' ? 'poorly' : 'well'}`;
}
const upper = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const ALONE = 'alone';
const of = (node: NodeKey) => inSentence(labelOf(node));

/** Every word of a table with its reason, in the order of the table. */
export function rowsOf(table: JudgementTable): TableRow[] {
  return [
    ...table.priors.map((p): TableRow => ({
      address: `prior.${p.cause}`,
      given: 'a planted tree that fails',
      then: of(p.cause),
      often: p.base,
      why: [p.why, ...p.given.map((g) => `${upper(g.shift)} ${circumstanceWords(g.when)}: ${g.why}`)].join(
        ' ',
      ),
      part: 'prior',
    })),
    ...table.mechanisms.flatMap((m) => [
      {
        address: `mechanism.${m.mechanism}.${ALONE}`,
        given: 'none of its causes',
        then: of(m.mechanism),
        often: m.leak,
        why: `Met without any of the causes of this table.${m.leakWhen ? ` ${upper(m.leakWhen.leak.toString())} where it was ${circumstanceWords(m.leakWhen.when)}: ${m.leakWhen.why}` : ''}`,
        part: 'mechanism' as const,
      },
      ...m.links.map((l): TableRow => ({
        address: `mechanism.${m.mechanism}.${l.of}`,
        given: of(l.of),
        then: of(m.mechanism),
        often: l.makes,
        why: l.why,
        part: 'mechanism',
      })),
    ]),
    ...table.findings.flatMap((f) => {
      const says = new Map(f.answers.map(([answer, text]) => [answer, text]));
      const rows = (node: NodeKey | typeof ALONE, makes: Partial<Record<string, Often>>, why: string) =>
        Object.entries(makes).map(([answer, often]): TableRow => ({
          address: `finding.${f.key}.${node}.${answer}`,
          given: node === ALONE ? 'none of its causes' : of(node),
          then: says.get(answer) ?? answer,
          often: often!,
          why,
          part: 'finding',
        }));
      return [
        ...f.links.flatMap((l) => rows(l.of, l.makes, l.why)),
        ...rows(ALONE, f.leak, 'Met without any of the causes of this table.'),
      ];
    }),
  ];
}

/** Tables of as many firms stay compiled, each a megabyte with its network. */
const TABLES_KEPT = 16;
const tables = keeping<JudgementTable>(TABLES_KEPT);

const ADDRESSES = new Set(rowsOf(PRACTICE_TABLE).map((r) => r.address));

/** Words of a firm for rows that the table does not have: it had them once, or never did. They count for nothing. */
export const wordsWithoutRow = (words: FirmTable['words']): string[] =>
  Object.keys(words).filter((address) => !ADDRESSES.has(address));

/**
 * The table in force for a firm: what the program ships with, and the firm's words in it. A word for a row that the table
 * has no more is passed over.
 *
 * @throws RangeError for a word that is none
 */
export function tableFor(firm?: FirmTable): JudgementTable {
  if (!firm || Object.keys(firm.words).length === 0) return PRACTICE_TABLE;
  return tables(firm, () => tableWith(firm));
}

function tableWith(firm: FirmTable): JudgementTable {
  for (const [address, often] of Object.entries(firm.words)) {
    if (!ADDRESSES.has(address)) continue;
    if (typeof often === 'number' ? !(often >= 0 && often <= 1) : !(often in HOW_OFTEN))
      throw new RangeError(
        `Judgement ${address}: ${JSON.stringify(often)}; allowed ${Object.keys(HOW_OFTEN).join(', ')}, or 0 to 1.`,
      );
  }
  const word = <T extends Often>(address: string, often: T): Often => firm.words[address] ?? often;
  const makes = (address: string, given: Partial<Record<string, Often>>) =>
    Object.fromEntries(
      Object.entries(given).map(([answer, often]) => [answer, word(`${address}.${answer}`, often!)]),
    );
  return {
    ...PRACTICE_TABLE,
    version: `${PRACTICE_TABLE.version}+firm-${firm.version}`,
    priors: PRACTICE_TABLE.priors.map((p) => ({ ...p, base: word(`prior.${p.cause}`, p.base) })),
    mechanisms: PRACTICE_TABLE.mechanisms.map((m) => ({
      ...m,
      leak: word(`mechanism.${m.mechanism}.${ALONE}`, m.leak),
      links: m.links.map((l) => ({ ...l, makes: word(`mechanism.${m.mechanism}.${l.of}`, l.makes) })),
    })),
    findings: PRACTICE_TABLE.findings.map((f) => ({
      ...f,
      leak: makes(`finding.${f.key}.${ALONE}`, f.leak),
      links: f.links.map((l) => ({ ...l, makes: makes(`finding.${f.key}.${l.of}`, l.makes) })),
    })),
  };
}
