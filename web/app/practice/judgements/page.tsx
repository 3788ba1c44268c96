import type { Metadata } from 'next';
import { wordsWithoutRow } from '@undrel/core/diagnosis';
import { JudgementsScreen } from '@/screens/practice/JudgementsScreen';
import { loadFirm } from '@/server/accounts/firm';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { saveJudgementsAction } from '../actions';

export const metadata: Metadata = { title: 'Table of causes' };

export default async function JudgementsPage() {
  const { firm, mayJudge } = await signedIn(async (db, viewer) => ({
    firm: await loadFirm(db),
    mayJudge: may(viewer.role, 'judge'),
  }));
  const stored = firm.judgements?.words ?? {};
  const gone = wordsWithoutRow(stored);
  const words = Object.fromEntries(Object.entries(stored).filter(([address]) => !gone.includes(address)));
  return (
    <JudgementsScreen
      firm={firm.name}
      words={words}
      gone={gone.length}
      table={firm.judgements?.version ?? 0}
      version={firm.version}
      save={mayJudge ? saveJudgementsAction : undefined}
    />
  );
}
