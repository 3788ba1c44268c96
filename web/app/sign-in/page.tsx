import type { Metadata } from 'next';
import { SignInScreen } from '@/screens/account/SignInScreen';
import { BuriedStem } from '@/screens/account/BuriedStem';
import { enterDemo, signInAction } from './actions';

export const metadata: Metadata = { title: 'Sign in' };
export const dynamic = 'force-dynamic';

export default function SignInPage() {
  return (
    <SignInScreen
      signIn={signInAction}
      enterDemo={process.env.UNDREL_DEMO === '1' ? enterDemo : undefined}
      picture={<BuriedStem />}
    />
  );
}
