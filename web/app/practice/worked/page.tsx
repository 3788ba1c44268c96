import type { Metadata } from 'next';
import { WorkedScreen } from '@/screens/practice/WorkedScreen';
import { NotNow } from '@/screens/shell/NotNow';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { recordOfFirm } from '@/server/time/firmTime';
import { tried } from '@/server/known';

export const metadata: Metadata = { title: 'What worked' };

export default async function WorkedPage() {
  const record = await tried(recordOfFirm(signedIn, today()));
  if ('problem' in record) return <NotNow title="What worked" problem={record.problem} back="/practice" />;
  return <WorkedScreen record={record.value} />;
}
