import type { Metadata } from 'next';
import { ForgottenScreen } from '@/screens/account/ForgottenScreen';
import { mailer } from '@/server/mail/mailer';
import { forgottenAction } from '../actions';

export const metadata: Metadata = { title: 'Forgotten password' };
export const dynamic = 'force-dynamic';

export default function ForgottenPage() {
  return <ForgottenScreen send={mailer() && forgottenAction} mailbox={process.env.UNDREL_DEMO === '1'} />;
}
