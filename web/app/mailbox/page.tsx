import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { MailboxScreen } from '@/screens/account/MailboxScreen';
import { mailbox } from '@/server/mail/mailbox';

export const metadata: Metadata = { title: 'Mailbox of the demo' };
export const dynamic = 'force-dynamic';

/** The simulated mailbox; there is none where the application does not serve the demo. */
export default function MailboxPage() {
  if (process.env.UNDREL_DEMO !== '1') notFound();
  return <MailboxScreen mails={[...mailbox()]} />;
}
