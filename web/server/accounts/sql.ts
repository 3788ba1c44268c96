/** All SQL of accounts. Row-level security narrows each to the firm of the transaction. */
export const FIND_ACCOUNT = 'select firm_id, user_id, password_hash from auth_account($1)';
/** Counts an attempt before it is looked at; null where there were too many. */
export const TRY = 'select auth_try($1, $2, $3::interval, $4, $5, $6) as attempt';
export const TRIED = 'select auth_tried($1)';
export const ENTER =
  'select firm_id, user_id, session_id, name, email, role, firm_name, units from auth_enter($1)';
export const FIND_INVITATION = 'select firm_id, firm_name, email, role from auth_invitation($1)';

export const OPEN_SESSION = `insert into sessions (firm_id, id, user_id, token_hash, expires_at, address, agent)
  values (current_firm(), $1, current_actor(), $2, $3, $4, $5)`;
export const CLOSE_SESSION = 'delete from sessions where id = $1';
export const CLOSE_SESSIONS_OF = 'delete from sessions where user_id = $1 and id is distinct from $2';
export const LIST_SESSIONS = `select id, created_at, last_seen_at, address, agent from sessions
  where user_id = current_actor() and expires_at > now() order by last_seen_at desc`;

export const PASSWORD_OF_USER = 'select password_hash, version from users where id = $1';
export const CHANGE_PASSWORD = 'update users set password_hash = $2 where id = $1';
export const ADD_USER = `insert into users (firm_id, id, email, name, role, password_hash)
  values (current_firm(), $1, $2, $3, $4, $5)`;
export const LIST_USERS = `select id, name, email, role, version, disabled_at is not null as disabled,
    exists (select from authenticator_apps a where a.id = users.id and a.confirmed_at is not null)
      or exists (select from passkeys p where p.user_id = users.id) as "secondStep"
  from users order by name`;
export const SET_USER = `update users set role = $2, disabled_at = case when $3 then coalesce(disabled_at, now()) end
  where id = $1 and version = $4 returning version`;
export const COUNT_OTHER_OWNERS = `select count(*)::int as owners from users where role = 'owner' and disabled_at is null and id <> $1`;

export const ADD_INVITATION = `insert into invitations (firm_id, id, email, role, token_hash, invited_by, expires_at)
  values (current_firm(), $1, $2, $3, $4, current_actor(), $5)`;
export const ACCEPT_INVITATION = `update invitations set accepted_at = now()
  where token_hash = $1 and accepted_at is null and revoked_at is null and expires_at > now() returning email, role`;
export const LIST_INVITATIONS = `select id, email, role, expires_at from invitations
  where accepted_at is null and revoked_at is null and expires_at > now() order by created_at desc`;
export const REVOKE_INVITATION = `update invitations set revoked_at = now()
  where id = $1 and accepted_at is null and revoked_at is null returning email`;
/** The row of the firm is held until the transaction ends: who changes people next waits and sees what was changed. */
export const HOLD_FIRM = 'select firm_id from firms for update';
export const CLOSE_TOKEN = 'delete from sessions where token_hash = $1';

export const ADD_FIRM = 'insert into firms (firm_id, name, units, report_prefix) values ($1, $2, $3, $4)';
export const FIRM =
  'select name, units, schools, judgements, rates, closed_seasons, species, report_prefix, version from firms';
export const SET_FIRM = `update firms set name = $1, units = $2, report_prefix = $3 where version = $4 returning version`;
export const SET_JUDGEMENTS = `update firms set judgements = $1 where version = $2 returning version`;
export const SET_COSTS = `update firms set rates = $1, closed_seasons = $2 where version = $3 returning version`;
export const SET_SPECIES = `update firms set species = $1 where version = $2 returning version`;
export const SET_SCHOOLS = `update firms set schools = $1 where version = $2 returning version`;

export const OPEN_STEP = 'select auth_step_open($1, $2, $3, $4, $5, $6, $7)';
export const SEE_STEP = 'select firm_id, user_id, challenge, email, name, firm_name from auth_step($1, $2)';
export const TAKE_STEP = 'select auth_step_take($1, $2) as taken';
export const DROP_RESETS = `delete from signin_steps where user_id = $1 and kind = 'reset'`;

export const APP_OF = 'select secret, last_step, confirmed_at from authenticator_apps where id = $1';
export const BEGIN_APP = `insert into authenticator_apps (firm_id, id, secret) values (current_firm(), current_actor(), $1)
  on conflict (firm_id, id) do update set secret = excluded.secret, last_step = 0
  where authenticator_apps.confirmed_at is null returning id`;
export const CONFIRM_APP = `update authenticator_apps set confirmed_at = now(), last_step = $2
  where id = $1 and confirmed_at is null returning id`;
/** A code is good once: the step it belongs to must be later than the last one taken. */
export const TAKE_CODE = `update authenticator_apps set last_step = $2
  where id = $1 and confirmed_at is not null and last_step < $2 returning id`;
export const DROP_APP = 'delete from authenticator_apps where id = $1';

export const ADD_RECOVERY_CODE = `insert into recovery_codes (firm_id, id, user_id, code_hash)
  values (current_firm(), $1, current_actor(), $2)`;
export const DROP_RECOVERY_CODES = 'delete from recovery_codes where user_id = $1';
export const TAKE_RECOVERY_CODE = `update recovery_codes set used_at = now()
  where user_id = $1 and code_hash = $2 and used_at is null returning id`;
export const COUNT_RECOVERY_CODES =
  'select count(*)::int as codes from recovery_codes where user_id = $1 and used_at is null';

export const PASSKEYS_OF = `select id, name, transports, created_at, last_used_at from passkeys where user_id = $1 order by created_at`;
export const FIND_PASSKEY = 'select firm_id, user_id, public_key, counter, transports from auth_passkey($1)';
export const ADD_PASSKEY = `insert into passkeys (firm_id, id, user_id, name, public_key, counter, transports)
  values (current_firm(), $1, current_actor(), $2, $3, $4, $5)`;
export const USE_PASSKEY = 'update passkeys set counter = $2, last_used_at = now() where id = $1';
export const DROP_PASSKEY = 'delete from passkeys where user_id = $1 and id = $2';
export const DROP_PASSKEYS = 'delete from passkeys where user_id = $1';
