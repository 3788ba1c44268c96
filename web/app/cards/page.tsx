import type { Metadata } from 'next';
import { CardsScreen } from '@/screens/pictures/CardsScreen';
import { signedIn } from '@/server/accounts/viewer';

export const metadata: Metadata = { title: 'Marker cards' };

export default async function CardsPage() {
  await signedIn(async () => undefined);
  return <CardsScreen />;
}
