'use client';

import { Said } from '../../ui/Said';
import { ROLE_OPTIONS, type InvitationRow, type InviteState } from './firmStates';
import { LinkPlace } from './LinkShown';
import { FormSelect } from '../../ui/controls/Select';

/** Somebody new by a link, and the links that nobody has opened yet. */
export function Invite({
  invite,
  invited,
  inviting,
  invitations,
  revoke,
  revoked,
}: {
  invite: (form: FormData) => void;
  invited: InviteState;
  inviting: boolean;
  invitations: InvitationRow[];
  revoke: (form: FormData) => void;
  revoked: { problem?: string };
}) {
  return (
    <section>
      <h2>Invite</h2>
      <form action={invite} className="flex flex-wrap items-end gap-2 mt-1">
        <label className="flex-1 min-w-[14rem]">
          <span className="block text-sm">E-mail</span>
          <input className="w-full" type="email" name="email" required defaultValue={invited.email} />
        </label>
        <FormSelect label="Role" className="" name="role" initial={invited.role} options={ROLE_OPTIONS} />
        <button className="act" disabled={inviting}>
          Make a link
        </button>
      </form>
      <LinkPlace
        problem={invited.problem}
        link={invited.link}
        label={
          invited.mailed
            ? `Mailed to ${invited.mailed}. The link works once, for seven days, and is not shown again.`
            : 'Send this link; it works once, for seven days, and is not shown again.'
        }
        before="Whoever opens the link chooses a name and a password, and is in."
      />
      {invitations.length > 0 && (
        <ul className="mt-2" aria-label="Invitations waiting">
          {invitations.map((i) => (
            <li key={i.id} className="border-b border-hair">
              <form action={revoke} className="flex items-center gap-3">
                <input type="hidden" name="id" value={i.id} />
                <span className="flex-1 text-sm text-muted">
                  Waiting: {i.email} ({i.role}, until {i.until})
                </span>
                <button className="link" aria-label={`Withdraw the invitation of ${i.email}`}>
                  Withdraw
                </button>
              </form>
            </li>
          ))}
        </ul>
      )}
      <Said problem={revoked.problem} lines={1} />
    </section>
  );
}
