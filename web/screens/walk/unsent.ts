import type { Change, ChangeResult } from '../../protocol/item';

/** Looks at one tree that the server has not answered yet. */
export interface Batch {
  tree: string;
  label: string;
  changes: Change[];
}

const keyOf = (property: string) => `undrel.walk.${property}`;

/** What was noted and not yet taken by the server; kept on the phone, so that nothing is lost out of reach. */
export function unsentIn(property: string): Batch[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(property)) ?? '[]') as Batch[];
  } catch {
    return [];
  }
}

export function keepUnsent(property: string, batches: readonly Batch[]): void {
  if (batches.length === 0) localStorage.removeItem(keyOf(property));
  else localStorage.setItem(keyOf(property), JSON.stringify(batches));
}

/** Sends a batch. `later` when the server was not reached; else what it refused, if anything. */
export async function send(batch: Batch): Promise<'sent' | 'later' | { problem: string }> {
  const changes = batch.changes.map((c) => ({ ...c, inDoubt: [c.values] }));
  const answer = await fetch('/api/changes', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ changes }),
  }).catch(() => undefined);
  if (!answer?.ok) return 'later';
  const { results } = (await answer.json()) as { results: ChangeResult[] };
  const refused = results.find((r) => r.status !== 'saved');
  if (!refused) return 'sent';
  return {
    problem: `${batch.label}: ${refused.status === 'refused' ? refused.problem : 'someone else noted it meanwhile; theirs stands.'}`,
  };
}
