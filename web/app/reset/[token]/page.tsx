import type { Metadata } from 'next';
import { ResetScreen } from '@/screens/account/ResetScreen';
import { resetOf } from '@/server/accounts/reset';
import { PageLink } from '@/ui/PageLink';
import { resetAction } from './actions';

export const metadata: Metadata = { title: 'New password' };

export default async function ResetPage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const person = await resetOf(token);
  if (!person) {
    return (
      <main className="p-6 max-w-md">
        <h1>This link is over</h1>
        <p className="my-3">It has been used or has lapsed. Ask for a new one.</p>
        <p className="flex gap-4">
          <PageLink className="act" href="/sign-in/forgotten">
            Ask for a new link
          </PageLink>
          <PageLink className="quiet" href="/sign-in">
            Sign in
          </PageLink>
        </p>
      </main>
    );
  }
  return <ResetScreen email={person.email} firm={person.firmName} reset={resetAction.bind(null, token)} />;
}
