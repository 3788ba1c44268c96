'use server';

import * as z from 'zod';
import type { NoticeHead } from '@/protocol/notice';
import { allowed } from '@/server/accounts/viewer';
import { ownAddress } from '@/server/accounts/address';
import { beside } from '@/server/beside';
import { isLanguage, LANGUAGES } from '@/language/languages';
import { makeNotice, noticesOf, revokeNotice } from '@/server/notices/notices';
import { ID, taking } from '@/server/taking';
import { noticeHere } from './here';

/** Keeps the notice of today behind a link. */
export const makeNoticeAction = taking(
  [ID, z.string(), z.string()],
  async (
    propertyId,
    to,
    language,
  ): Promise<{ link: string; notices: NoticeHead[] } | { problem: string }> => {
    if (!isLanguage(language)) return { problem: `Language: not one of ${LANGUAGES.join(', ')}.` };
    const here = await noticeHere(propertyId);
    if (!here) return { problem: 'The property no longer exists.' };
    const content = await beside('noticeFor', { content: here.content, language }, here.viewer);
    const made = await allowed('judge', async (db) => {
      const notice = await makeNotice(db, propertyId, to, content);
      return 'problem' in notice ? notice : { token: notice.token, notices: await noticesOf(db, propertyId) };
    });
    if ('problem' in made) return made;
    return { link: new URL(`/notice/${made.token}`, await ownAddress()).href, notices: made.notices };
  },
);

/** Takes a notice back that nobody has received. */
export const revokeNoticeAction = taking(
  [ID, ID],
  (propertyId, id): Promise<{ notices?: NoticeHead[]; problem?: string }> =>
    allowed('judge', async (db) => {
      await revokeNotice(db, id);
      return { notices: await noticesOf(db, propertyId) };
    }),
);
