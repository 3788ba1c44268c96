'use client';

import { PageLink } from '@/ui/PageLink';
import { usePreferences, useUnitChoice } from '../shell/preferences';
import { THEMES } from '../shell/themes';
import { useOutbox, waitingIn } from '../shell/DeviceState';
import { TopBar } from '../shell/TopBar';
import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { SecondStep, type SecondStepActs } from './SecondStep';
import { hasLight } from '../../device/sensors/light';
import { useEffect, useState } from 'react';

export interface PasswordState {
  told?: string;
  problem?: string;
}

/** The person's own account: units and theme of this device, password, sessions. */
export function AccountScreen(props: {
  name: string;
  email: string;
  role: string;
  sessions: { id: string; seen: string; agent: string; here: boolean }[];
  changePassword: (state: PasswordState, form: FormData) => Promise<PasswordState>;
  second: Omit<Parameters<typeof SecondStep>[0], 'acts'>;
  secondActs: SecondStepActs;
  signOut: () => Promise<void>;
  signOutEverywhere: () => Promise<void>;
}) {
  const [password, change, changing] = useKeptForm(props.changePassword, {});
  return (
    <div className="min-h-dvh">
      <TopBar>
        <strong>Account</strong>
      </TopBar>
      <main className="p-4 lg:p-8 max-w-2xl space-y-8">
        <section>
          <h1>{props.name}</h1>
          <p className="text-muted">
            {props.email}, {props.role}. <PageLink href="/firm">Firm and people</PageLink>
          </p>
          <UnitsAndTheme />
        </section>
        <section>
          <h2>Password</h2>
          <ChangePassword change={change} changing={changing} password={password} />
        </section>
        <SecondStep {...props.second} acts={props.secondActs} />
        <section>
          <h2>Signed in</h2>
          <ul>
            {props.sessions.map((s) => (
              <li key={s.id} className="border-b border-hair py-1.5">
                <span className="num">{s.seen}</span> {s.here && <strong>this device</strong>}
                <span className="block text-sm text-muted break-all">{s.agent}</span>
              </li>
            ))}
          </ul>
          <WaitsHere />
          <div className="flex flex-wrap gap-2 mt-3">
            <form action={props.signOut}>
              <button className="quiet">Sign out</button>
            </form>
            <form action={props.signOutEverywhere}>
              <button className="quiet">Sign out everywhere</button>
            </form>
          </div>
        </section>
      </main>
    </div>
  );
}

/** What signing out does to what is on this device. */
function WaitsHere() {
  const waiting = waitingIn(useOutbox());
  return (
    <p className="mt-3 text-sm">
      Signing out takes what was taken along off this device.
      {waiting > 0 &&
        ` ${waiting} ${waiting === 1 ? 'entry waits' : 'entries wait'} to be sent and ${waiting === 1 ? 'stays' : 'stay'} here until you sign in again.`}{' '}
      <PageLink href="/device">This device</PageLink>
    </p>
  );
}

function UnitsAndTheme() {
  const { theme, byLight, setTheme, setByLight } = usePreferences();
  const [units, setUnits] = useUnitChoice();
  const [light, setLight] = useState(false);
  useEffect(() => setLight(hasLight()), []);
  const picked = 'bg-ink text-sheet border-ink';
  return (
    <div className="flex flex-wrap gap-6 mt-4">
      <div role="group" aria-label="Units" className="flex">
        {(['metric', 'us'] as const).map((u) => (
          <button
            key={u}
            type="button"
            aria-pressed={units === u}
            className={`quiet -ml-px ${units === u ? picked : ''}`}
            onClick={() => setUnits(u)}
          >
            {u === 'metric' ? 'cm, m' : 'in, ft'}
          </button>
        ))}
      </div>
      <div role="group" aria-label="Theme" className="flex">
        {THEMES.map((t) => (
          <button
            key={t}
            type="button"
            aria-pressed={theme === t}
            className={`quiet -ml-px ${theme === t ? picked : ''}`}
            onClick={() => setTheme(t)}
          >
            {t === 'sun' ? 'Bright sun' : t === 'dark' ? 'Dark' : 'Paper'}
          </button>
        ))}
      </div>
      <label className={`flex items-center gap-2 min-h-[44px] ${light ? '' : 'text-muted'}`}>
        <input
          type="checkbox"
          checked={light && byLight}
          disabled={!light}
          onChange={({ target }) => setByLight(target.checked)}
        />
        <span>
          Bright sun by the light sensor
          {!light && <span className="block text-sm">This device offers none; choose by a tap.</span>}
        </span>
      </label>
    </div>
  );
}

function ChangePassword({
  change,
  changing,
  password,
}: {
  change: (form: FormData) => void;
  changing: boolean;
  password: PasswordState;
}) {
  return (
    <form action={change} className="grid sm:grid-cols-2 gap-3 mt-1">
      <label>
        <span className="block text-sm">Present password</span>
        <input className="w-full" type="password" name="current" autoComplete="current-password" required />
      </label>
      <label>
        <span className="block text-sm">New password, at least 10 characters</span>
        <input className="w-full" type="password" name="next" autoComplete="new-password" required />
      </label>
      <div className="sm:col-span-2 flex flex-wrap items-center gap-3">
        <button className="act" disabled={changing}>
          Change password
        </button>
        <Said problem={password.problem} told={password.told} className="flex-1 min-w-[14rem]" />
      </div>
    </form>
  );
}
