import type { ReactNode } from 'react';
import type { TreeRow } from '../../protocol/grounds';
import { Fold } from '../../ui/Fold';

/** All trees of the round to choose from, on the plan and by label. */
export function AnotherTree({
  trees,
  left,
  done,
  plan,
  onOpen,
}: {
  trees: readonly TreeRow[];
  left: number;
  done: (tree: TreeRow) => boolean;
  plan: ReactNode;
  onOpen: (id: string) => void;
}) {
  return (
    <Fold
      className="px-4 py-2 border-t border-hair"
      summaryClass="min-h-[44px] flex items-center cursor-pointer"
      summary={`Another tree (${left} left)`}
    >
      {(choosing) => (
        <>
          <div className="lg:hidden h-72 border border-ink mb-2">{choosing && plan}</div>
          <ul className="columns-2 sm:columns-3">
            {trees.map((t) => (
              <li key={t.id}>
                <button type="button" className="link min-h-[44px] text-left" onClick={() => onOpen(t.id)}>
                  {t.label} <span className={done(t) ? '' : 'invisible'}>✓</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
    </Fold>
  );
}
