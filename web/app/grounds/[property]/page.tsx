import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { PropertyScreen } from '@/screens/property/PropertyScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { propertyRows } from '@/server/grounds/grounds';
import { propertyText } from '@/server/grounds/propertyText';
import { removePropertyAction, savePropertyAction } from './actions';

const open = cache(async (id: string) => {
  const { rows, viewer } = await signedIn(async (db, who) => ({
    rows: await propertyRows(db, id),
    viewer: who,
  }));
  return {
    name: rows?.head.name,
    page: rows && (await propertyText(rows, viewer)),
    mayMeasure: may(viewer.role, 'measure'),
  };
});

interface Props {
  params: Promise<{ property: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await open((await params).property)).name };
}

export default async function PropertyRoute({ params }: Props) {
  const { page, mayMeasure } = await open((await params).property);
  if (!page) notFound();
  return (
    <PropertyScreen
      page={page}
      mayMeasure={mayMeasure}
      actions={{ save: savePropertyAction, remove: removePropertyAction }}
    />
  );
}
