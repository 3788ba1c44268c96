'use client';

import { useEffect, useState, type ReactNode } from 'react';
import type { Item } from '../../protocol/item';
import { keptChanges } from '../../device/pending';
import { PageLink } from '../../ui/PageLink';
import { TopBar } from '../shell/TopBar';
import { TreeScreen, type TreeScreenProps } from './TreeScreen';

/** A tree that is on this device alone, with all that waits of it. */
interface Alone {
  id: string;
  items: string;
}

/** A page of a tree that is on this device alone: it is read from what waits to be sent. */
export function OfNewTree({
  person,
  property,
  children,
}: {
  person: string;
  property: { id: string; name: string };
  children: (tree: Alone) => ReactNode;
}) {
  const [tree, setTree] = useState<Alone | 'none' | undefined>(undefined);
  useEffect(() => {
    let here = true;
    const id = new URLSearchParams(location.search).get('tree');
    if (!id) return setTree('none');
    void keptChanges({ person, treeId: id }).then((changes) => {
      if (!here) return;
      const items = changes.map(
        ({ kind, id: item, parent, values }) => ({ kind, id: item, parent, version: 0, values }) as Item,
      );
      const known = items.some((i) => i.kind === 'tree' && i.values !== null);
      setTree(known ? { id, items: JSON.stringify(items) } : 'none');
    });
    return () => {
      here = false;
    };
  }, [person]);
  if (typeof tree === 'object') return children(tree);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <PageLink href={`/grounds/${property.id}`} className="plain">
          {property.name}
        </PageLink>
      </TopBar>
      <main className="p-6">
        <p role="status">
          {tree === 'none'
            ? 'This tree is not on this device any more: the server has it, and the property lists it.'
            : 'Reading what was entered…'}
        </p>
      </main>
    </div>
  );
}

export const NewTreeScreen = (props: Omit<TreeScreenProps, 'treeId' | 'items'>) => (
  <OfNewTree person={props.person} property={props.property}>
    {(tree) => <TreeScreen {...props} treeId={tree.id} items={tree.items} alone />}
  </OfNewTree>
);
