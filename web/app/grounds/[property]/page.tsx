import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { PropertyScreen } from '@/screens/property/PropertyScreen';
import { may } from '@/server/accounts/roles';
import { signedIn } from '@/server/accounts/viewer';
import { loadProperty } from '@/server/grounds/grounds';
import { removePropertyAction, savePropertyAction } from './actions';

const open = cache((id: string) =>
  signedIn(async (db, viewer) => ({
    page: await loadProperty(db, id),
    mayMeasure: may(viewer.role, 'measure'),
  })),
);

interface Props {
  params: Promise<{ property: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await open((await params).property)).page?.name };
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
