import { createHash } from 'node:crypto';

/** A short key for what texts say: others give another one, and so do the same texts parted elsewhere. */
export function digestOf(...texts: readonly string[]): string {
  const key = createHash('sha256');
  for (const text of texts) key.update(`${text.length} `).update(text);
  return key.digest('base64');
}
