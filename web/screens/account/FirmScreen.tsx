'use client';

import { useState } from 'react';
import { DAYS_ALONG } from '../../protocol/along';
import { TopBar } from '../shell/TopBar';
import { Notice } from '../../ui/Notice';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import type { DeviceRow, FirmState, InvitationRow, InviteState, PersonRow, PersonState } from './firmStates';
import { LinkShown } from './LinkShown';
import { FormSelect } from '../../ui/controls/Select';
import { PersonEntry } from './PersonEntry';
import { Invite } from './Invite';

type Act<S> = (state: S, form: FormData) => Promise<S>;

/** What kind of device it is, as its browser says. */
const systemOf = (agent: string): string =>
  [/iPhone|iPad/, /Android/, /Windows/, /Mac OS X/, /Linux/].flatMap(
    (system) => system.exec(agent)?.[0] ?? [],
  )[0] ?? 'a device';

const UNITS = [
  { key: 'metric', label: 'cm and m' },
  { key: 'us', label: 'in and ft' },
] as const;

/** The firm's settings and people. */
export function FirmScreen(props: {
  firm: FirmState;
  people: PersonRow[];
  invitations: InvitationRow[];
  mayManage: boolean;
  me: string;
  save: Act<FirmState>;
  invite: Act<InviteState>;
  setPerson: Act<PersonState>;
  revoke: Act<{ problem?: string }>;
  /** That somebody of the firm is signed in on; none for who does not manage it. */
  devices: DeviceRow[];
  endSession: Act<{ problem?: string }>;
}) {
  const [ended, endSession] = useKeptForm(props.endSession, {});
  const [firm, saveFirm, savingFirm] = useKeptForm(props.save, props.firm);
  const [invited, invite, inviting] = useKeptForm(props.invite, { email: '', role: 'consultant' });
  const [revoked, revoke] = useKeptForm(props.revoke, {});
  const [person, setPerson] = useKeptForm<PersonState>(props.setPerson, {});
  const [closed, setClosed] = useState<PersonState | undefined>(undefined);
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong>Firm</strong>
      </TopBar>
      <main className="p-4 lg:p-8 max-w-5xl space-y-8">
        <section>
          <h1>{firm.name}</h1>
          {props.mayManage ? (
            <FirmForm key={firm.version} saveFirm={saveFirm} firm={firm} savingFirm={savingFirm} />
          ) : (
            <p className="mt-2">
              New devices show {UNITS.find((u) => u.key === firm.units)?.label}; report numbers begin with{' '}
              <span className="num">{firm.prefix}</span>. The owner may change that.
            </p>
          )}
        </section>
        <section>
          <h2>People</h2>
          {props.mayManage && (
            <p className="text-muted my-2">
              For a forgotten password, make a link here. For a lost phone or passkey, take the second step
              off.
            </p>
          )}
          {person !== closed && (person.problem ?? person.told) && (
            <PeopleTold person={person} setClosed={setClosed} />
          )}
          <ul>
            {props.people.map((p) => (
              <PersonEntry
                key={`${p.id}.${p.version}`}
                person={p}
                setPerson={setPerson}
                me={props.me}
                mayManage={props.mayManage}
              />
            ))}
          </ul>
        </section>
        {props.mayManage && (
          <Invite
            invite={invite}
            invited={invited}
            inviting={inviting}
            invitations={props.invitations}
            revoke={revoke}
            revoked={revoked}
          />
        )}
        {props.mayManage && <Devices devices={props.devices} endSession={endSession} ended={ended} />}
      </main>
    </div>
  );
}

function FirmForm({
  saveFirm,
  firm,
  savingFirm,
}: {
  saveFirm: (form: FormData) => void;
  firm: FirmState;
  savingFirm: boolean;
}) {
  return (
    <form action={saveFirm} className="grid sm:grid-cols-3 gap-3 mt-3">
      <label>
        <span className="block text-sm">Name</span>
        <input className="w-full" name="name" required maxLength={120} defaultValue={firm.name} />
      </label>
      <FormSelect label="Units on new devices" name="units" initial={firm.units} options={UNITS} />
      <label>
        <span className="block text-sm">Report numbers begin with</span>
        <input className="w-full num" name="prefix" required maxLength={8} defaultValue={firm.prefix} />
      </label>
      <div className="sm:col-span-3 flex items-center gap-3">
        <button className="act" disabled={savingFirm}>
          Save
        </button>
        <Said problem={firm.problem} told={firm.told} className="flex-1" />
      </div>
    </form>
  );
}

function Devices({
  devices,
  endSession,
  ended,
}: {
  devices: DeviceRow[];
  endSession: (form: FormData) => void;
  ended: { problem?: string };
}) {
  return (
    <section aria-label="Devices">
      <h2>Devices</h2>
      <p className="text-muted my-2">
        Where people are signed in, and what they took along. End the session of a device that is lost: it is
        emptied as soon as it has signal, and after {DAYS_ALONG} days without.
      </p>
      <ul>
        {devices.map((d) => (
          <li key={d.id} className="border-b border-hair py-2">
            <form action={endSession} className="flex flex-wrap items-center gap-3">
              <input type="hidden" name="id" value={d.id} />
              <span className="flex-1 min-w-[12rem]">
                <strong>{d.person}</strong>, {systemOf(d.agent)}
                {d.here && <span className="text-muted"> (this device)</span>}
                <span className="block text-sm text-muted">
                  last seen <span className="num">{d.seen}</span>;{' '}
                  {d.holds.length > 0 ? `holds ${d.holds.join(', ')}` : 'nothing taken along'}
                </span>
              </span>
              {!d.here && (
                <button className="link" aria-label={`End the session of ${d.person}, ${d.seen}`}>
                  End session
                </button>
              )}
            </form>
          </li>
        ))}
      </ul>
      <Said problem={ended.problem} lines={1} />
    </section>
  );
}

function PeopleTold({
  person,
  setClosed,
}: {
  person: PersonState;
  setClosed: (next: PersonState | undefined) => void;
}) {
  return (
    <Notice label="People" bad={person.problem !== undefined} onClose={() => setClosed(person)}>
      {person.problem ?? (
        <label className="block">
          {person.told}
          {person.link && <LinkShown link={person.link} />}
        </label>
      )}
    </Notice>
  );
}
