'use client';

import { Said } from '../../ui/Said';
import { useKeptForm } from '../../ui/useKeptForm';
import { addPasskey, type PasskeySetUp } from './passkey';

export interface SecondState {
  problem?: string;
  told?: string;
  /** Recovery codes, shown once. */
  codes?: string[];
  /** Key of an authenticator app that is being set up. */
  key?: { secret: string; picture: string };
}

export interface PasskeyRow {
  id: string;
  name: string;
  made: string;
  used: string | undefined;
}

export interface SecondStepActs {
  change: (state: SecondState, form: FormData) => Promise<SecondState>;
  confirm: (state: SecondState, form: FormData) => Promise<SecondState>;
  passkey: PasskeySetUp<SecondState>;
}

/** What sign-in asks for besides the password: set up, changed and taken off with the password. */
export function SecondStep(props: {
  app: boolean;
  passkeys: PasskeyRow[];
  codesLeft: number;
  acts: SecondStepActs;
}) {
  const { change, confirm, passkey } = props.acts;
  const [state, act, busy] = useKeptForm<SecondState>(async (was, form) => {
    const text = (name: string) => String(form.get(name) ?? '');
    if (text('do') === 'confirm') return confirm(was, form);
    if (text('do') === 'passkey') return addPasskey(passkey, text('password'), text('name'));
    return change(was, form);
  }, {});
  const on = props.app || props.passkeys.length > 0;
  return (
    <section>
      <h2>Second step at sign-in</h2>
      <p className="text-muted max-w-prose">
        {on
          ? 'Besides the password, sign-in asks for one of these.'
          : 'The password alone opens this account. A code from your phone or a passkey (fingerprint, face or security key) keeps it closed even to someone who learns the password.'}
      </p>
      <form action={act} className="mt-2">
        {/* Enter in a field presses the first button of a form: none of those that take something off. */}
        <button disabled hidden />
        <StepsInForce
          app={props.app}
          busy={busy}
          passkeys={props.passkeys}
          on={on}
          codesLeft={props.codesLeft}
        />
        <div className="grid sm:grid-cols-2 gap-3 mt-3">
          <label>
            <span className="block text-sm">Present password, for any change here</span>
            <input className="w-full" type="password" name="password" autoComplete="current-password" />
          </label>
          <label>
            <span className="block text-sm">Name of a new passkey</span>
            <input className="w-full" name="name" maxLength={60} defaultValue="This device" />
          </label>
        </div>
        <div className="flex flex-wrap gap-2 mt-3">
          {!props.app && (
            <button className="quiet" name="do" value="app" disabled={busy}>
              Set up an authenticator app
            </button>
          )}
          <button className="quiet" name="do" value="passkey" disabled={busy}>
            Add a passkey
          </button>
        </div>
        <Said problem={state.problem} told={state.told} className="mt-2" />
      </form>
      {state.key && <AppKey act={act} appKey={state.key} busy={busy} />}
      {state.codes && (
        <div className="told mt-2">
          <p>
            Recovery codes: each opens the account once, in place of the second step. They are not shown
            again; print them or write them down.
          </p>
          <ul className="num sm:columns-2 my-2 max-w-md whitespace-nowrap" aria-label="Recovery codes">
            {state.codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </div>
      )}
    </section>
  );
}

function StepsInForce({
  app,
  busy,
  passkeys,
  on,
  codesLeft,
}: {
  app: boolean;
  busy: boolean;
  passkeys: PasskeyRow[];
  on: boolean;
  codesLeft: number;
}) {
  return (
    <ul>
      {app && (
        <li className="flex items-center gap-3 border-b border-hair">
          <span className="flex-1">Authenticator app</span>
          <button className="link" name="do" value="drop app" disabled={busy}>
            Turn off
          </button>
        </li>
      )}
      {passkeys.map((k) => (
        <li key={k.id} className="flex items-center gap-3 border-b border-hair">
          <span className="flex-1 py-1.5">
            Passkey “{k.name}”
            <span className="block text-sm text-muted">
              made <span className="num">{k.made}</span>
              {k.used && (
                <>
                  , last used <span className="num">{k.used}</span>
                </>
              )}
            </span>
          </span>
          <button
            className="link"
            name="do"
            value={`drop passkey ${k.id}`}
            aria-label={`Remove the passkey ${k.name}`}
            disabled={busy}
          >
            Remove
          </button>
        </li>
      ))}
      {on && (
        <li className="flex items-center gap-3 border-b border-hair">
          <span className="flex-1">
            Recovery codes, <span className="num">{codesLeft}</span> left
          </span>
          <button className="link" name="do" value="codes" disabled={busy}>
            Make new ones
          </button>
        </li>
      )}
    </ul>
  );
}

/** The key for an authenticator app, and the code that shows it has arrived. */
function AppKey({
  act,
  appKey,
  busy,
}: {
  act: (form: FormData) => void;
  appKey: NonNullable<SecondState['key']>;
  busy: boolean;
}) {
  return (
    <form action={act} className="flex flex-wrap gap-5 items-start mt-2">
      {/* oxlint-disable-next-line nextjs/no-img-element -- made for this one answer, never a file */}
      <img
        src={appKey.picture}
        alt="Key for the authenticator app, as a code to scan"
        width={220}
        height={220}
      />
      <div className="flex-1 min-w-[16rem] space-y-3">
        <p>Scan this with the app, or type the key into it:</p>
        <p className="num">{appKey.secret.replace(/.{4}(?=.)/g, '$& ')}</p>
        <label className="block">
          <span className="block text-sm">The six digits that the app shows now</span>
          <input className="w-full num" name="code" inputMode="numeric" autoComplete="one-time-code" />
        </label>
        <button className="act" name="do" value="confirm" disabled={busy}>
          Turn on
        </button>
      </div>
    </form>
  );
}
