import type { Metadata } from 'next';
import { AccountScreen } from '@/screens/account/AccountScreen';
import { LIST_SESSIONS } from '@/server/accounts/sql';
import { secondStepOf } from '@/server/accounts/secondStep';
import { signedIn } from '@/server/accounts/viewer';
import { changePasswordAction, signOut, signOutEverywhere } from './actions';
import { askNewPasskeyAction, confirmAppAction, keepPasskeyAction, secondStepAction } from './secondStep';

export const metadata: Metadata = { title: 'Account' };

interface SessionRow {
  id: string;
  last_seen_at: Date;
  agent: string | null;
}

const minute = (at: Date) => at.toISOString().slice(0, 16).replace('T', ' ');

export default async function AccountPage() {
  const { viewer, sessions, second } = await signedIn(async (db, person) => ({
    viewer: person,
    sessions: await db.rows<SessionRow>(LIST_SESSIONS),
    second: await secondStepOf(db, person.userId),
  }));
  return (
    <AccountScreen
      name={viewer.name}
      email={viewer.email}
      role={viewer.role}
      sessions={sessions.map((s) => ({
        id: s.id,
        seen: minute(s.last_seen_at),
        agent: s.agent ?? '',
        here: s.id === viewer.sessionId,
      }))}
      second={{
        app: second.app,
        codesLeft: second.codesLeft,
        passkeys: second.passkeys.map((k) => ({
          id: k.id,
          name: k.name,
          made: minute(k.created),
          used: k.used ? minute(k.used) : undefined,
        })),
      }}
      secondActs={{
        change: secondStepAction,
        confirm: confirmAppAction,
        passkey: { ask: askNewPasskeyAction, keep: keepPasskeyAction },
      }}
      changePassword={changePasswordAction}
      signOut={signOut}
      signOutEverywhere={signOutEverywhere}
    />
  );
}
