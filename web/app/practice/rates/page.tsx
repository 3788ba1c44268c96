import type { Metadata } from 'next';
import { RatesScreen } from '@/screens/practice/RatesScreen';
import { loadFirm } from '@/server/accounts/firm';
import { may } from '@/protocol/roles';
import { signedIn } from '@/server/accounts/viewer';
import { saveRatesAction } from './actions';

export const metadata: Metadata = { title: 'Rates and closed seasons' };

export default async function RatesPage() {
  const { firm, mayJudge } = await signedIn(async (db, viewer) => ({
    firm: await loadFirm(db),
    mayJudge: may(viewer.role, 'judge'),
  }));
  return (
    <RatesScreen
      firm={firm.name}
      rates={firm.rates ?? undefined}
      closed={firm.closed_seasons ?? []}
      version={firm.version}
      save={mayJudge ? saveRatesAction : undefined}
    />
  );
}
