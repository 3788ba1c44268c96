import type { Change, ChangeResult } from '../protocol/item';
import { sendPicture } from './sendPicture';
import { allPicturesHere, forgetPicture, pictureOf, picturesShown } from './keptPictures';
import { pagesWith, rememberSavedHere } from './along/keepSoon';
import { keepAgain } from './along/take';
import {
  alone,
  DOUBTS_KEPT,
  noneSince,
  readLeft,
  SENDING_LEFT,
  waitingOf,
  writeLeft,
  type KeptChange,
  type Waiting,
} from './pending';
import { outboxTold, tellOutbox, type Outbox } from './outboxNow';
import { batchOf, leftToWorker, savedOf, send } from './sending';
import { roundsOf, sendRound } from './walkBatches';

/** What is kept of sent changes once the server has answered each. */
export function leftOf(all: readonly KeptChange[], results: readonly ChangeResult[]): KeptChange[] {
  const answered = new Map(results.map((r) => [r.id, r.status]));
  return all.flatMap((change): KeptChange[] => {
    const status = answered.get(change.id);
    if (status === undefined) return [change];
    return status === 'saved' ? [] : [{ ...change, unsettled: true }];
  });
}

/** Marks what goes out now as sent and not answered. */
function inDoubt(change: KeptChange): KeptChange {
  const same = JSON.stringify(change.values);
  const others = (change.inDoubt ?? []).filter((v) => JSON.stringify(v) !== same);
  return { ...change, inDoubt: [...others, change.values].slice(-DOUBTS_KEPT) };
}

/**
 * Sends one entry that a page left behind, a batch at a time; the page that wrote it need not be open. What the server does
 * not take stays, to be settled where it was entered.
 */
async function sendEntry(
  person: string,
  treeId: string,
  name: string,
): Promise<'sent' | 'away' | 'signed out'> {
  for (;;) {
    const all = readLeft(name);
    const batch = batchOf(all.filter((c) => !c.unsettled)) as KeptChange[];
    if (batch.length === 0) return 'sent';
    const ids = new Set(batch.map((c) => c.id));
    const doubtful = all.map((c) => (ids.has(c.id) ? inDoubt(c) : c));
    writeLeft(name, doubtful);
    const sent = doubtful.filter((c) => ids.has(c.id)).map(({ unsettled: _, ...change }) => change);
    const results = await send(sent, person);
    if (typeof results === 'string') return results;
    await rememberSavedHere(person, treeId, savedOf(sent, results));
    writeLeft(name, leftOf(doubtful, results));
  }
}

/** Entries of pictures whose file the server has; no tab is ever called so. */
const pictureEntry = (person: string, treeId: string): string =>
  `undrel.pending.${person}.${treeId}.pictures`;

/** Sends pictures that no open page sends by itself, one after the other; each then waits as an entry of its tree. */
async function sendPictures(person: string): Promise<'sent' | 'away'> {
  const all = await allPicturesHere(person);
  if (all.length === 0) return 'sent';
  let came: 'sent' | 'away' = 'sent';
  for (const kept of all) {
    const { treeId, visitId } = kept;
    // Those of before it was noted which tree they are of are sent by their own page.
    if (treeId === undefined || picturesShown(visitId)) continue;
    const sent = await sendPicture(kept.file, kept, () => undefined, new AbortController().signal);
    // One that is not taken holds up no other.
    if ('problem' in sent) {
      if (sent.away) void leftToWorker().then((worker) => worker?.askForSync());
      came = 'away';
      continue;
    }
    const { id } = sent;
    const name = pictureEntry(person, treeId);
    const others = readLeft(name).filter((c) => c.id !== id);
    const values = pictureOf(sent, kept, undefined) as Change['values'];
    if (writeLeft(name, [...others, { kind: 'picture', id, parent: visitId, base: 0, values }]))
      await forgetPicture(kept.id);
  }
  return came;
}

/** Sends everything of a person that no open page sends by itself. */
export function sendLeft(person: string): Promise<Outbox['state']> {
  return alone(SENDING_LEFT, async () => {
    const changed: string[] = [];
    const waited = await waitingOf(person);
    const entries = async (waiting: readonly Waiting[]) => {
      for (const { treeId, left } of waiting)
        for (const name of left) {
          const came = await sendEntry(person, treeId, name);
          if (came !== 'sent') return came;
          changed.push(...pagesWith(treeId));
        }
      return 'sent';
    };
    // Visits go before the pictures that belong to them.
    const first = await entries(waited);
    if (first !== 'sent') return first;
    for (const round of roundsOf(person)) {
      const came = await sendRound(round);
      if (came !== 'sent') return came;
      changed.push(`/grounds/${round.property}`, `/grounds/${round.property}/walk`);
    }
    const pictures = await sendPictures(person);
    const then = await entries(await waitingOf(person));
    if (then !== 'sent') return then;
    const still = new Set((await waitingOf(person)).map((w) => w.treeId));
    for (const { treeId } of waited) if (!still.has(treeId)) noneSince(person, treeId);
    if (changed.length > 0) await keepAgain(person, changed);
    return pictures === 'away' ? 'away' : 'rest';
  });
}

const EVERY_MS = 15_000;

const counted = async (person: string, state: Outbox['state']): Promise<Outbox> => ({
  trees: await waitingOf(person),
  looks: roundsOf(person).reduce((sum, r) => sum + r.batches, 0),
  pictures: (await allPicturesHere(person)).length,
  state,
});

let running: Promise<void> | undefined;

/** Looks at what waits and sends it; one run at a time. */
export function runOutbox(person: string): Promise<void> {
  return (running ??= (async () => {
    const before = await counted(person, outboxTold.now().state);
    const left = before.looks > 0 || before.pictures > 0 || before.trees.some((t) => t.left.length > 0);
    tellOutbox(left ? { ...before, state: 'sending' } : { ...before, state: 'rest' });
    if (left) tellOutbox(await counted(person, await sendLeft(person)));
  })().finally(() => {
    running = undefined;
  }));
}

/** Sends what waits for as long as a page is open: at once, when the signal comes back, and now and then. @returns ends it */
export function keepSending(person: string): () => void {
  const run = () => void runOutbox(person);
  run();
  const timer = setInterval(run, EVERY_MS);
  window.addEventListener('online', run);
  window.addEventListener('storage', run);
  return () => {
    clearInterval(timer);
    window.removeEventListener('online', run);
    window.removeEventListener('storage', run);
  };
}
