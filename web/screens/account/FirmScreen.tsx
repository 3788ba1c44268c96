'use client';

import { useState } from 'react';
import { DAYS_ALONG } from '../../protocol/along';
import { TopBar } from '../shell/TopBar';
import { Notice } from '../../ui/Notice';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { FormSelect } from '../../ui/controls/Select';

export interface FirmState {
  name: string;
  units: string;
  prefix: string;
  version: number;
  told?: string;
  problem?: string;
}
export interface InviteState {
  email: string;
  role: string;
  link?: string;
  /** Whom the link was mailed to, where mail is sent. */
  mailed?: string;
  problem?: string;
}
export interface PersonState {
  problem?: string;
  told?: string;
  /** A link with which a person chooses a new password, shown once. */
  link?: string;
}
export interface PersonRow {
  id: string;
  name: string;
  email: string;
  role: string;
  version: number;
  disabled: boolean;
  secondStep: boolean;
}

const ROLE_OPTIONS = [
  { key: 'owner', label: 'owner: everything, people too' },
  { key: 'consultant', label: 'consultant: measures, judges, issues' },
  { key: 'crew', label: 'crew: measures' },
  { key: 'reader', label: 'reader: reads' },
];

type Act<S> = (state: S, form: FormData) => Promise<S>;

/** What kind of device it is, as its browser says. */
const systemOf = (agent: string): string =>
  [/iPhone|iPad/, /Android/, /Windows/, /Mac OS X/, /Linux/].flatMap(
    (system) => system.exec(agent)?.[0] ?? [],
  )[0] ?? 'a device';

/** A link that is shown once, marked as a whole when it is pressed. */
const LinkShown = ({ link }: { link: string }) => (
  <input className="w-full num" readOnly value={link} onFocus={(event) => event.target.select()} />
);

/** A place for a link that is shown once, of one height whatever it shows. */
function LinkPlace(props: { link?: string; problem?: string; label: string; before: string }) {
  return (
    <div className="h-[6.2rem] overflow-y-auto my-2">
      {props.link ? (
        <label className="told block" role="status">
          <span className="block">{props.label}</span>
          <LinkShown link={props.link} />
        </label>
      ) : (
        <Said problem={props.problem} told={<span className="text-muted">{props.before}</span>} lines={3} />
      )}
    </div>
  );
}

const UNITS = [
  { key: 'metric', label: 'cm and m' },
  { key: 'us', label: 'in and ft' },
] as const;

/** The firm's settings and people. */
export function FirmScreen(props: {
  firm: FirmState;
  people: PersonRow[];
  invitations: { id: string; email: string; role: string; until: string }[];
  mayManage: boolean;
  me: string;
  save: Act<FirmState>;
  invite: Act<InviteState>;
  setPerson: Act<PersonState>;
  revoke: Act<{ problem?: string }>;
  /** That somebody of the firm is signed in on; none for who does not manage it. */
  devices: { id: string; person: string; agent: string; seen: string; holds: string[]; here: boolean }[];
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
            <form action={saveFirm} key={firm.version} className="grid sm:grid-cols-3 gap-3 mt-3">
              <label>
                <span className="block text-sm">Name</span>
                <input className="w-full" name="name" required maxLength={120} defaultValue={firm.name} />
              </label>
              <FormSelect label="Units on new devices" name="units" initial={firm.units} options={UNITS} />
              <label>
                <span className="block text-sm">Report numbers begin with</span>
                <input
                  className="w-full num"
                  name="prefix"
                  required
                  maxLength={8}
                  defaultValue={firm.prefix}
                />
              </label>
              <div className="sm:col-span-3 flex items-center gap-3">
                <button className="act" disabled={savingFirm}>
                  Save
                </button>
                <Said problem={firm.problem} told={firm.told} className="flex-1" />
              </div>
            </form>
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
            <Notice label="People" bad={person.problem !== undefined} onClose={() => setClosed(person)}>
              {person.problem ?? (
                <label className="block">
                  {person.told}
                  {person.link && <LinkShown link={person.link} />}
                </label>
              )}
            </Notice>
          )}
          <ul>
            {props.people.map((p) => (
              <li key={`${p.id}.${p.version}`} className="border-b border-hair py-2">
                <form action={setPerson} className="flex flex-wrap items-center gap-3">
                  <input type="hidden" name="id" value={p.id} />
                  <input type="hidden" name="version" value={p.version} />
                  <input type="hidden" name="was" value={p.disabled ? 'out' : 'in'} />
                  <span className="flex-1 min-w-[12rem]">
                    <strong className={p.disabled ? 'line-through' : ''}>{p.name}</strong>
                    {p.id === props.me && <span className="text-muted"> (you)</span>}
                    <span className="block text-sm text-muted">{p.email}</span>
                  </span>
                  {props.mayManage ? (
                    <>
                      <FormSelect
                        label={`Role of ${p.name}`}
                        hidden
                        className=""
                        name="role"
                        initial={p.role}
                        options={ROLE_OPTIONS}
                      />
                      <button className="quiet">Save role</button>
                      <button className="link" name="shut" value={p.disabled ? 'in' : 'out'}>
                        {p.disabled ? 'Let in' : 'Shut out'}
                      </button>
                      {!p.disabled && (
                        <button
                          className="link"
                          name="do"
                          value="link"
                          aria-label={`Link for a new password of ${p.name}`}
                        >
                          Password link
                        </button>
                      )}
                      {p.secondStep && (
                        <button
                          className="link"
                          name="do"
                          value="second"
                          aria-label={`Take the second step off ${p.name}`}
                        >
                          Take second step off
                        </button>
                      )}
                    </>
                  ) : (
                    <span>{p.role}</span>
                  )}
                </form>
              </li>
            ))}
          </ul>
        </section>
        {props.mayManage && (
          <section>
            <h2>Invite</h2>
            <form action={invite} className="flex flex-wrap items-end gap-2 mt-1">
              <label className="flex-1 min-w-[14rem]">
                <span className="block text-sm">E-mail</span>
                <input className="w-full" type="email" name="email" required defaultValue={invited.email} />
              </label>
              <FormSelect
                label="Role"
                className=""
                name="role"
                initial={invited.role}
                options={ROLE_OPTIONS}
              />
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
            {props.invitations.length > 0 && (
              <ul className="mt-2" aria-label="Invitations waiting">
                {props.invitations.map((i) => (
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
        )}
        {props.mayManage && (
          <section aria-label="Devices">
            <h2>Devices</h2>
            <p className="text-muted my-2">
              Where people are signed in, and what they took along. End the session of a device that is lost:
              it is emptied as soon as it has signal, and after {DAYS_ALONG} days without.
            </p>
            <ul>
              {props.devices.map((d) => (
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
        )}
      </main>
    </div>
  );
}
