import type { Metadata } from 'next';
import { ReceiveScreen } from '@/screens/notice/ReceiveScreen';
import { noticeWords } from '@/work/reports/inLanguage';
import { noticeShown } from '@/server/notices/notices';
import { receiveAction } from './actions';

export const metadata: Metadata = { title: 'Mulching and mowing', robots: { index: false, follow: false } };

export default async function NoticePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const shown = await noticeShown(token);
  const words = 'content' in shown ? noticeWords(shown.content.language) : undefined;
  return <ReceiveScreen shown={shown} words={words} receive={receiveAction.bind(null, token)} />;
}
