import type { Metadata } from 'next';
import { SignInScreen } from '@/screens/account/SignInScreen';
import { SignedOut } from '@/screens/shell/SignedOut';
import { BuriedStem } from '@/screens/account/BuriedStem';
import { askPasskeyAction, enterDemo, passkeyAction, signInAction } from './actions';

export const metadata: Metadata = { title: 'Sign in' };
export const dynamic = 'force-dynamic';

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ changed?: string }> }) {
  const { changed } = await searchParams;
  return (
    <>
      <SignedOut />
      <SignInScreen
        signIn={signInAction}
        told={changed === undefined ? undefined : 'Your password is changed. Sign in with the new one.'}
        passkey={{ ask: askPasskeyAction.bind(null, false), answer: passkeyAction.bind(null, false) }}
        enterDemo={process.env.UNDREL_DEMO === '1' ? enterDemo : undefined}
        picture={<BuriedStem />}
      />
    </>
  );
}
