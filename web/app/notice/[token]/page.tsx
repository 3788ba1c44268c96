import type { Metadata } from 'next';
import { ReceiveScreen } from '@/screens/notice/ReceiveScreen';
import { noticeShown } from '@/server/notices/notices';
import { receiveAction } from './actions';

export const metadata: Metadata = { title: 'Mulching and mowing', robots: { index: false, follow: false } };

export default async function NoticePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  return <ReceiveScreen shown={await noticeShown(token)} receive={receiveAction.bind(null, token)} />;
}
