import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { PracticeScreen } from '@/screens/practice/PracticeScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { practiceOn } from '@/server/grounds/practice';
import { saveSchoolsOnAction } from './actions';

export const metadata: Metadata = { title: 'Schools of a property' };

export default async function PropertySchoolsPage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const { practice, mayJudge } = await signedIn(async (db, viewer) => ({
    practice: await practiceOn(db, property),
    mayJudge: may(viewer.role, 'judge'),
  }));
  if (!practice) notFound();
  return (
    <PracticeScreen
      of={practice.name}
      schools={practice.house.property}
      property={{ id: property, firm: practice.house.firm }}
      version={practice.version}
      save={mayJudge ? saveSchoolsOnAction.bind(null, property) : undefined}
    />
  );
}
