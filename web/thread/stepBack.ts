import { readlinkSync } from 'node:fs';
import { constants, setPriority } from 'node:os';
import { basename } from 'node:path';

/**
 * Has this thread, and those it begins from now on, stand back where both cores are wanted: what answers requests goes
 * first, and a document that is set alone takes no longer. Linux gives each thread a priority of its own; elsewhere
 * nothing is changed.
 *
 * @param by how far, from 0 (not at all) to 19
 */
export function stepBack(by: number): void {
  if (by === 0 || process.platform !== 'linux') return;
  try {
    setPriority(
      Number(basename(readlinkSync('/proc/thread-self'))),
      Math.min(by, constants.priority.PRIORITY_LOW),
    );
  } catch {
    // Where a container hides it, the thread works on as any other.
    return;
  }
}
