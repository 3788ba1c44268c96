import type { Metadata } from 'next';
import { SpeciesScreen } from '@/screens/practice/SpeciesScreen';
import { loadFirm } from '@/server/accounts/firm';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { saveSpeciesAction } from './actions';

export const metadata: Metadata = { title: 'Species' };

export default async function SpeciesPage() {
  const { firm, mayJudge } = await signedIn(async (db, viewer) => ({
    firm: await loadFirm(db),
    mayJudge: may(viewer.role, 'judge'),
  }));
  return (
    <SpeciesScreen
      firm={firm.name}
      own={firm.species ?? []}
      version={firm.version}
      save={mayJudge ? saveSpeciesAction : undefined}
    />
  );
}
