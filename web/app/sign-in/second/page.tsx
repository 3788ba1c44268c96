import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { SecondScreen } from '@/screens/account/SecondScreen';
import { secondStepOf } from '@/server/accounts/secondStep';
import { presentStep } from '@/server/accounts/stepCookie';
import { seeStep } from '@/server/accounts/steps';
import { asUser } from '@/server/database/transaction';
import { askPasskeyAction, codeAction, passkeyAction } from '../actions';

export const metadata: Metadata = { title: 'Second step' };

export default async function SecondPage() {
  const seen = await seeStep((await presentStep()) ?? '', 'second');
  if (!seen?.firm_id || !seen.user_id) redirect('/sign-in');
  const userId = seen.user_id;
  const step = await asUser(seen.firm_id, userId, (db) => secondStepOf(db, userId));
  return (
    <SecondScreen
      email={seen.email ?? ''}
      app={step.app}
      passkeys={step.passkeys.map((k) => k.name)}
      code={codeAction}
      passkey={{ ask: askPasskeyAction.bind(null, true), answer: passkeyAction.bind(null, true) }}
    />
  );
}
