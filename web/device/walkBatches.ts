import type { Change } from '../protocol/item';
import { batchOf, send as sendChanges } from './sending';

/** Looks at one tree that the server has not answered yet. */
export interface Batch {
  tree: string;
  label: string;
  changes: Change[];
}

/** Whose looks, on which grounds: what one person noted is sent as theirs alone. */
export interface Round {
  person: string;
  property: string;
}

const keyOf = ({ person, property }: Round) => `undrel.walk.${person}.${property}`;

/** What the phone did not take, as long as the page is open. */
const inPage = new Map<string, Batch[]>();

/** What was noted and not yet taken by the server; kept on the phone, so that nothing is lost out of reach. */
export function unsentIn(round: Round): Batch[] {
  const here = inPage.get(keyOf(round));
  if (here) return here;
  try {
    return JSON.parse(localStorage.getItem(keyOf(round)) ?? '[]') as Batch[];
  } catch {
    return [];
  }
}

/** Keeps what is to be sent; false where the phone takes no more, and it is in this page alone. */
export function keepUnsent(round: Round, batches: readonly Batch[]): boolean {
  try {
    if (batches.length === 0) localStorage.removeItem(keyOf(round));
    else localStorage.setItem(keyOf(round), JSON.stringify(batches));
    inPage.delete(keyOf(round));
    return true;
  } catch {
    inPage.set(keyOf(round), [...batches]);
    return false;
  }
}

/** Adds looks to those that wait, as they stand now: another tab may have added its own. */
export const addUnsent = (round: Round, batch: Batch): boolean =>
  keepUnsent(round, [...unsentIn(round), batch]);

/** Takes away looks that were sent, and nothing that came meanwhile. */
export function takeUnsent(round: Round, sent: Batch): void {
  const same = (b: Batch) => JSON.stringify(b) === JSON.stringify(sent);
  const waiting = unsentIn(round);
  const at = waiting.findIndex(same);
  if (at >= 0) keepUnsent(round, [...waiting.slice(0, at), ...waiting.slice(at + 1)]);
}

/** Sends a batch. `later` when the server was not reached; else what it refused, if anything. */
export async function send(
  batch: Batch,
  person: string,
): Promise<'sent' | 'later' | 'signed out' | { problem: string }> {
  const changes = batchOf(batch.changes.map((c) => ({ ...c, inDoubt: [c.values] })));
  const results = await sendChanges(changes, person);
  if (results === 'signed out') return 'signed out';
  if (results === 'away') return 'later';
  const refused = results.find((r) => r.status !== 'saved');
  if (!refused) return 'sent';
  return {
    problem: `${batch.label}: ${refused.status === 'refused' ? refused.problem : 'someone else noted it first; theirs stands.'}`,
  };
}

const begin = (person: string) => `undrel.walk.${person}.`;

/** Walk-rounds of a person with looks that wait on this device. */
export function roundsOf(person: string): (Round & { batches: number })[] {
  try {
    return Object.keys(localStorage)
      .filter((name) => name.startsWith(begin(person)))
      .map((name) => ({ person, property: name.slice(begin(person).length) }))
      .map((round) => ({ ...round, batches: unsentIn(round).length }))
      .filter(({ batches }) => batches > 0);
  } catch {
    return [];
  }
}

/** Rounds whose page is open in this tab and sends by itself. */
const walked = new Set<string>();
export function walking(round: Round): () => void {
  walked.add(keyOf(round));
  return () => walked.delete(keyOf(round));
}

/** Sends the looks of a round whose page is not open; what the server refuses is left for the page to say. */
export async function sendRound(round: Round): Promise<'sent' | 'away' | 'signed out'> {
  if (walked.has(keyOf(round))) return 'sent';
  for (const batch of unsentIn(round)) {
    const came = await send(batch, round.person);
    if (came === 'later') return 'away';
    if (came === 'signed out') return came;
    if (came === 'sent') takeUnsent(round, batch);
  }
  return 'sent';
}

/** A visit of a walk-round that waits on this device. */
export interface Begun {
  visitId: string;
  /** ISO day. */
  date: string;
  looks: Record<string, { answer: string; version: number }>;
}

/** Visits that waiting looks begin, by tree: a page that is opened again goes on with them. */
export function begunIn(batches: readonly Batch[]): Record<string, Begun> {
  const begun: Record<string, Begun> = {};
  for (const { tree, changes } of batches)
    for (const { kind, id, parent, base, values } of changes) {
      if (kind === 'visit') begun[tree] = { visitId: id, date: String(values!.date), looks: {} };
      const visit = begun[tree];
      if (kind === 'finding' && visit?.visitId === parent)
        visit.looks[String(values!.key)] = { answer: String(values!.answer), version: base + 1 };
    }
  return begun;
}
