import type { Metadata } from 'next';
import { AccountScreen } from '@/screens/account/AccountScreen';
import { LIST_SESSIONS } from '@/server/accounts/sql';
import { signedIn } from '@/server/accounts/viewer';
import { changePasswordAction, signOut, signOutEverywhere } from './actions';

export const metadata: Metadata = { title: 'Account' };

interface SessionRow {
  id: string;
  last_seen_at: Date;
  agent: string | null;
}

export default async function AccountPage() {
  const { viewer, sessions } = await signedIn(async (db, person) => ({
    viewer: person,
    sessions: await db.rows<SessionRow>(LIST_SESSIONS),
  }));
  return (
    <AccountScreen
      name={viewer.name}
      email={viewer.email}
      role={viewer.role}
      sessions={sessions.map((s) => ({
        id: s.id,
        seen: s.last_seen_at.toISOString().slice(0, 16).replace('T', ' '),
        agent: s.agent ?? '',
        here: s.id === viewer.sessionId,
      }))}
      changePassword={changePasswordAction}
      signOut={signOut}
      signOutEverywhere={signOutEverywhere}
    />
  );
}
