import type { Metadata } from 'next';
import { FirmScreen } from '@/screens/account/FirmScreen';
import { listPeople, loadFirm } from '@/server/accounts/firm';
import { may } from '@/protocol/roles';
import { LIST_INVITATIONS } from '@/server/accounts/sql';
import { signedIn } from '@/server/accounts/viewer';
import { listDevices } from '@/server/along/along';
import {
  endSessionAction,
  inviteAction,
  revokeInvitationAction,
  saveFirmAction,
  setPersonAction,
} from './actions';

export const metadata: Metadata = { title: 'Firm' };

export default async function FirmPage() {
  const page = await signedIn(async (db, viewer) => ({
    firm: await loadFirm(db),
    people: await listPeople(db),
    invitations: await db.rows<{ id: string; email: string; role: string; expires_at: Date }>(
      LIST_INVITATIONS,
    ),
    devices: may(viewer.role, 'manage') ? await listDevices(db) : [],
    session: viewer.sessionId,
    mayManage: may(viewer.role, 'manage'),
    me: viewer.userId,
  }));
  const { name, units, report_prefix, version } = page.firm;
  return (
    <FirmScreen
      firm={{ name, units, prefix: report_prefix, version }}
      people={page.people}
      invitations={page.invitations.map((i) => ({
        id: i.id,
        email: i.email,
        role: i.role,
        until: i.expires_at.toISOString().slice(0, 10),
      }))}
      mayManage={page.mayManage}
      me={page.me}
      save={saveFirmAction}
      invite={inviteAction}
      setPerson={setPersonAction}
      revoke={revokeInvitationAction}
      devices={page.devices.map(({ seen, ...d }) => ({
        ...d,
        seen: seen.toISOString().slice(0, 16).replace('T', ' '),
        here: d.id === page.session,
      }))}
      endSession={endSessionAction}
    />
  );
}
