import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/protocol/roles';
import { NoticeScreen } from '@/screens/notice/NoticeScreen';
import { signedIn } from '@/server/accounts/viewer';
import { relapsesByYear } from '@/work/property/notice';
import { noticesOf } from '@/server/notices/notices';
import { makeNoticeAction, revokeNoticeAction } from './actions';
import { noticeHere } from './here';

export const metadata: Metadata = { title: 'Notice' };

export default async function PropertyNoticePage({ params }: { params: Promise<{ property: string }> }) {
  const { property } = await params;
  const here = await noticeHere(property);
  if (!here) notFound();
  const notices = await signedIn((db) => noticesOf(db, property));
  return (
    <NoticeScreen
      property={here.property}
      content={here.content}
      large={here.large}
      notices={notices}
      relapses={relapsesByYear(here.again, notices)}
      make={may(here.viewer.role, 'judge') ? makeNoticeAction.bind(null, property) : undefined}
      revoke={revokeNoticeAction.bind(null, property)}
    />
  );
}
