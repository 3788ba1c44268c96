import type { Metadata } from 'next';
import { PracticeScreen } from '@/screens/practice/PracticeScreen';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { loadFirm } from '@/server/accounts/firm';
import { savePracticeAction } from './actions';

export const metadata: Metadata = { title: 'Practice book' };

export default async function PracticePage() {
  const { firm, mayJudge } = await signedIn(async (db, viewer) => ({
    firm: await loadFirm(db),
    mayJudge: may(viewer.role, 'judge'),
  }));
  return (
    <PracticeScreen
      of={firm.name}
      schools={firm.schools}
      version={firm.version}
      save={mayJudge ? savePracticeAction : undefined}
    />
  );
}
