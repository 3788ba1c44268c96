import type { Metadata } from 'next';
import { InviteScreen } from '@/screens/account/InviteScreen';
import { findInvitation } from '@/server/accounts/invitations';
import { PageLink } from '@/ui/PageLink';
import { acceptAction } from './actions';

export const metadata: Metadata = { title: 'Join' };

export default async function InvitePage({ params }: { params: Promise<{ token: string }> }) {
  const { token } = await params;
  const invitation = await findInvitation(token);
  if (!invitation) {
    return (
      <main className="p-6 max-w-md">
        <h1>This invitation is over</h1>
        <p className="my-3">
          It has been used or has lapsed after seven days. Ask the owner of the firm for a new link.
        </p>
        <PageLink className="act" href="/sign-in">
          Sign in
        </PageLink>
      </main>
    );
  }
  return (
    <InviteScreen
      firm={invitation.firm_name}
      email={invitation.email}
      role={invitation.role}
      accept={acceptAction.bind(null, token)}
    />
  );
}
