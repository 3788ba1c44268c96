import type { ReactNode } from 'react';
import type { Tree } from '@undrel/core/records';

/** A tree that nobody has visited yet. */
export function NotVisited({
  bar,
  tree,
  onNewVisit,
}: {
  bar: ReactNode;
  tree: Tree;
  /** Begins a visit, for who may. */
  onNewVisit: (() => void) | undefined;
}) {
  return (
    <div className="min-h-dvh flex flex-col">
      {bar}
      <main className="p-6 max-w-xl">
        <h1>{tree.label} has not been visited</h1>
        <p className="my-3">{tree.species}. A visit holds what is seen and measured on one day.</p>
        {onNewVisit ? (
          <button type="button" className="act" onClick={onNewVisit}>
            Begin a visit today
          </button>
        ) : (
          <p className="told">Your role can read, not measure.</p>
        )}
      </main>
    </div>
  );
}
