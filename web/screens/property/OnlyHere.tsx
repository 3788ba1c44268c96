'use client';

import { useOutbox } from '../shell/DeviceState';
import { treeHref } from '../../protocol/treeHref';

/** Trees of a property that were entered without signal and that the server does not have yet. */
export function OnlyHere({ property }: { property: string }) {
  const { trees } = useOutbox();
  const own = trees.flatMap(({ treeId, changes }) => {
    const tree = changes.find(
      (c) => c.kind === 'tree' && c.id === treeId && c.parent === property && c.base === 0,
    );
    const label = (tree?.values as { label?: string } | null | undefined)?.label;
    return label === undefined ? [] : [{ treeId, label }];
  });
  if (own.length === 0) return null;
  return (
    <section aria-label="On this device alone" className="told my-3">
      <p>On this device alone, until there is signal:</p>
      <ul>
        {own.map(({ treeId, label }) => (
          <li key={treeId}>
            <a className="min-h-[44px] inline-flex items-center" href={treeHref(treeId, { alone: property })}>
              {label}
            </a>
          </li>
        ))}
      </ul>
    </section>
  );
}
