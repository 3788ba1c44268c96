import type { Metadata } from 'next';
import { VerifyScreen } from '@/screens/verify/VerifyScreen';
import { today } from '@/server/cases/write';

export const metadata: Metadata = { title: 'Verify a report' };
export const dynamic = 'force-dynamic';

/** Open to anybody: nobody has to sign in to see whether a report is genuine. */
export default function VerifyPage() {
  return <VerifyScreen today={today()} />;
}
