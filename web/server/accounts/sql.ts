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
export const LIST_USERS = `select id, name, email, role, version, disabled_at is not null as disabled from users order by name`;
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
  'select name, units, schools, judgements, rates, closed_seasons, report_prefix, version from firms';
export const SET_FIRM = `update firms set name = $1, units = $2, report_prefix = $3 where version = $4 returning version`;
export const SET_JUDGEMENTS = `update firms set judgements = $1 where version = $2 returning version`;
export const SET_COSTS = `update firms set rates = $1, closed_seasons = $2 where version = $3 returning version`;
export const SET_SCHOOLS = `update firms set schools = $1 where version = $2 returning version`;
