import type { Metadata } from 'next';
import { OfferScreen } from '@/screens/offer/OfferScreen';
import { offerWords } from '@/work/reports/inLanguage';
import { shownBy } from '@/server/offers/offers';
import { approveAction } from './actions';

export const metadata: Metadata = { title: 'Your tree', robots: { index: false, follow: false } };

export default async function OfferPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const shown = await shownBy(token);
  return (
    <OfferScreen
      shown={shown}
      words={'content' in shown ? offerWords(shown.content.language) : undefined}
      address={`/offer/${token}`}
      approve={approveAction.bind(null, token)}
    />
  );
}
