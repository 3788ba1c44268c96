'use client';

import { byDay } from '@undrel/core/vocabulary';
import type { Item } from '../../protocol/item';
import { OfNewTree } from '../tree/NewTreeScreen';
import { PicturesScreen, type PicturesProps } from './PicturesScreen';

/** The newest visit among what waits of a tree. */
function newestIn(items: string): string | undefined {
  const visits = (JSON.parse(items) as Item[]).flatMap((i) =>
    i.kind === 'visit' && i.values ? [{ id: i.id, date: i.values.date }] : [],
  );
  return visits.sort((a, b) => byDay(b.date, a.date))[0]?.id;
}

/** The photographs of a tree that is on this device alone. */
export const NewPicturesScreen = ({
  property,
  ...props
}: Omit<PicturesProps, 'treeId' | 'items' | 'visitId' | 'alone' | 'step'> & {
  property: { id: string; name: string };
}) => (
  <OfNewTree person={props.person} property={property}>
    {({ id, items }) => {
      const visitId = newestIn(items);
      return visitId === undefined ? (
        <main className="p-6">
          <p role="status">Begin a visit first: photographs belong to one.</p>
        </main>
      ) : (
        <PicturesScreen
          {...props}
          treeId={id}
          items={items}
          visitId={visitId}
          step={undefined}
          alone={property.id}
        />
      );
    }}
  </OfNewTree>
);
