-- Firms, people and sessions. Every table carries firm_id and has row-level security: a request sees the rows of the
-- firm set for its transaction, and nothing where none is set. The application's role owns nothing. The policies ask for
-- the firm in a sub-select, so that it is looked up once a query and not once a row.

create function current_firm() returns text language sql stable as
$$ select nullif(current_setting('undrel.firm', true), '') $$;

create function current_actor() returns text language sql stable as
$$ select nullif(current_setting('undrel.user', true), '') $$;

create table firms (
  firm_id text primary key,
  name text not null check (length(name) between 1 and 120),
  units text not null default 'metric' check (units in ('metric', 'us')),
  schools jsonb not null default '{}',
  report_prefix text not null default 'R' check (report_prefix ~ '^[A-Z0-9]{1,8}$'),
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text
);

create table users (
  firm_id text not null references firms,
  id text not null,
  email text not null unique check (email = lower(email) and length(email) <= 254),
  name text not null check (length(name) between 1 and 120),
  role text not null check (role in ('owner', 'consultant', 'crew', 'reader')),
  password_hash text not null,
  disabled_at timestamptz,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, id)
);

create table sessions (
  firm_id text not null,
  id text not null,
  user_id text not null,
  token_hash bytea not null unique,
  created_at timestamptz not null default now(),
  last_seen_at timestamptz not null default now(),
  expires_at timestamptz not null,
  address text,
  agent text,
  primary key (firm_id, id),
  foreign key (firm_id, user_id) references users (firm_id, id)
);
create index sessions_of_user on sessions (firm_id, user_id);

create table invitations (
  firm_id text not null references firms,
  id text not null,
  email text not null check (email = lower(email)),
  role text not null check (role in ('owner', 'consultant', 'crew', 'reader')),
  token_hash bytea not null unique,
  invited_by text,
  created_at timestamptz not null default now(),
  expires_at timestamptz not null,
  accepted_at timestamptz,
  version integer not null default 1,
  primary key (firm_id, id)
);

-- Sign-in attempts are counted before the firm is known; only the functions below touch them.
create table signin_attempts (
  firm_id text,
  account text not null,
  address text not null,
  at timestamptz not null default now(),
  ok boolean not null
);
create index signin_attempts_by_account on signin_attempts (account, at);
create index signin_attempts_by_address on signin_attempts (address, at);

create table audit_entries (
  firm_id text not null,
  id bigint generated always as identity,
  at timestamptz not null default now(),
  actor text,
  action text not null,
  subject text not null,
  subject_id text not null,
  version integer,
  before jsonb,
  after jsonb,
  primary key (firm_id, id)
);
create index audit_entries_of_subject on audit_entries (firm_id, subject, subject_id, id);

-- Every write leaves what it replaced, who and when. Secrets are never copied.
create function keep_audit() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
declare
  old_row jsonb := case when tg_op = 'INSERT' then null else to_jsonb(old) - 'password_hash' - 'token_hash' - 'pdf' end;
  new_row jsonb := case when tg_op = 'DELETE' then null else to_jsonb(new) - 'password_hash' - 'token_hash' - 'pdf' end;
  any_row jsonb := coalesce(new_row, old_row);
begin
  insert into audit_entries (firm_id, actor, action, subject, subject_id, version, before, after)
  values (any_row ->> 'firm_id', current_actor(), lower(tg_op), tg_table_name,
          coalesce(any_row ->> 'id', any_row ->> 'firm_id'), (any_row ->> 'version')::integer, old_row, new_row);
  return null;
end $$;

-- A row's version counts its changes; a write names the version it was based on.
create function count_version() returns trigger language plpgsql as $$
begin
  new.version := old.version + 1;
  new.updated_at := now();
  new.updated_by := current_actor();
  return new;
end $$;

create trigger audit after insert or update or delete on firms for each row execute function keep_audit();
create trigger audit after insert or update or delete on users for each row execute function keep_audit();
create trigger audit after insert or update or delete on invitations for each row execute function keep_audit();
create trigger audit after insert or delete on sessions for each row execute function keep_audit();
create trigger versions before update on firms for each row execute function count_version();
create trigger versions before update on users for each row execute function count_version();

alter table firms enable row level security;
alter table users enable row level security;
alter table sessions enable row level security;
alter table invitations enable row level security;
alter table signin_attempts enable row level security;
alter table audit_entries enable row level security;
create policy own_firm on firms using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on users using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on sessions using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on invitations using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on signin_attempts using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on audit_entries using (firm_id = (select current_firm()));

-- What must be answered before a firm is known. Each returns the least it can.

create function auth_account(wanted_email text)
returns table (firm_id text, user_id text, password_hash text) language sql stable security definer
set search_path = public, pg_temp as $$
  select u.firm_id, u.id, u.password_hash from users u where u.email = lower(wanted_email) and u.disabled_at is null
$$;

create function auth_failures(wanted_account text, wanted_address text, within interval)
returns table (by_account bigint, by_address bigint) language sql stable security definer
set search_path = public, pg_temp as $$
  select
    (select count(*) from signin_attempts a where a.account = wanted_account and not a.ok and a.at > now() - within
       and a.at > coalesce((select max(s.at) from signin_attempts s where s.account = wanted_account and s.ok), '-infinity')),
    (select count(*) from signin_attempts a where a.address = wanted_address and not a.ok and a.at > now() - within)
$$;

create function auth_note_attempt(tried_account text, from_address text, succeeded boolean)
returns void language sql security definer set search_path = public, pg_temp as $$
  delete from signin_attempts where at < now() - interval '1 day';
  insert into signin_attempts (firm_id, account, address, ok)
  values ((select u.firm_id from users u where u.email = tried_account), tried_account, from_address, succeeded);
$$;

-- Finds the session of a token and enters its firm for the rest of the transaction.
create function auth_enter(wanted_token_hash bytea)
returns table (firm_id text, user_id text, session_id text, name text, email text, role text, firm_name text, units text)
language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found_row record;
begin
  select s.firm_id, s.user_id, s.id as session_id, s.last_seen_at, u.name, u.email, u.role, f.name as firm_name, f.units
    into found_row
    from sessions s
    join users u on u.firm_id = s.firm_id and u.id = s.user_id and u.disabled_at is null
    join firms f on f.firm_id = s.firm_id
   where s.token_hash = wanted_token_hash and s.expires_at > now();
  if not found then
    return;
  end if;
  if found_row.last_seen_at < now() - interval '5 minutes' then
    update sessions s set last_seen_at = now() where s.token_hash = wanted_token_hash;
  end if;
  perform set_config('undrel.firm', found_row.firm_id, true);
  perform set_config('undrel.user', found_row.user_id, true);
  return query select found_row.firm_id, found_row.user_id, found_row.session_id, found_row.name, found_row.email,
                      found_row.role, found_row.firm_name, found_row.units;
end $$;

create function auth_invitation(wanted_token_hash bytea)
returns table (firm_id text, firm_name text, email text, role text) language sql stable security definer
set search_path = public, pg_temp as $$
  select i.firm_id, f.name, i.email, i.role from invitations i join firms f using (firm_id)
   where i.token_hash = wanted_token_hash and i.accepted_at is null and i.expires_at > now()
$$;
