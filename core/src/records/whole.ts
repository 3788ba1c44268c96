import { kindsBelow, rulesOf, type Rules } from './rules';
import type { Kind, Values } from './schemas';

type Many<K extends Kind> = Rules[K]['most'] extends number ? K : never;
type Always<K extends Kind> = Rules[K] extends { always: true } ? K : never;

/** What holds records of these kinds in a file: each kind by its member. */
type Holding<K extends Kind> = {
  [k in K as k extends Many<k> & Always<k> ? Rules[k]['member'] : never]: Values[k][];
} & {
  [k in K as k extends Always<k> ? never : k extends Many<k> ? Rules[k]['member'] : never]?: Values[k][];
};

/** A dig with its roots. */
export type Dig = Values['dig'] & Holding<'root'>;

/** A visit with all that was read, decided and done at it. */
export type Visit = Values['visit'] &
  Holding<Exclude<Kind, 'tree' | 'event' | 'visit' | 'dig' | 'root'>> & {
    dig?: Dig;
    trenches?: Values['trenches'];
    cuts?: Values['cuts'];
  };

/** A record of any kind with its values. */
export type AnyRecord = { [K in Kind]: { kind: K; values: Values[K] } }[Kind];

const within = (holder: Kind): Kind[] =>
  kindsBelow('visit').filter((kind) => rulesOf(kind).within === holder);
const onItsOwn = (): Kind[] => kindsBelow('visit').filter((kind) => rulesOf(kind).within === undefined);

/**
 * Puts a visit together.
 *
 * @param below the records of a kind that belong to it
 */
export function visitOf(
  head: Values['visit'],
  below: <K extends Kind>(kind: K) => readonly Values[K][],
): Visit {
  const held = (kind: Kind): Record<string, unknown> => {
    const { member, most, always, fresh } = rulesOf(kind);
    const records = below(kind);
    if (most !== 'one') return records.length > 0 || always ? { [member]: [...records] } : {};
    const inside = within(kind);
    const own = records[0] ?? (inside.some((k) => below(k).length > 0) ? fresh : undefined);
    return own ? { [member]: Object.assign({ ...own }, ...inside.map(held)) } : {};
  };
  return Object.assign({ ...head }, ...onItsOwn().map(held)) as Visit;
}

/** The own values of a visit, without what hangs below it: what is written when one of them changes. */
export function headOf(visit: Visit): Values['visit'] {
  const head: Record<string, unknown> = { ...visit };
  for (const kind of onItsOwn()) delete head[rulesOf(kind).member];
  return head as Values['visit'];
}

/** Takes a visit apart into its head and the records below it, kind by kind in the order of a file. */
export function partsOf(visit: Visit): { head: Values['visit']; records: AnyRecord[] } {
  const records: AnyRecord[] = [];
  const take = (holder: Readonly<Record<string, unknown>>, kinds: readonly Kind[]) => {
    const rest = { ...holder };
    for (const kind of kinds) {
      const { member, most } = rulesOf(kind);
      const held = rest[member];
      delete rest[member];
      if (held === undefined) continue;
      for (const one of most === 'one' ? [held] : (held as unknown[])) {
        const place = records.push({ kind, values: one } as AnyRecord) - 1;
        const values = take(one as Record<string, unknown>, within(kind));
        records[place] = { kind, values } as AnyRecord;
      }
    }
    return rest;
  };
  return { head: take(visit as Record<string, unknown>, onItsOwn()) as Values['visit'], records };
}
