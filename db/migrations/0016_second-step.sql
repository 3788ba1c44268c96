-- A second step at sign-in: an authenticator app (RFC 6238), passkeys (WebAuthn), recovery codes; and links to choose a new password.

create table authenticator_apps (
  firm_id text not null,
  id text not null,
  secret text not null,
  -- The last time step whose code was taken: a code is good once.
  last_step bigint not null default 0,
  confirmed_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, id) references users (firm_id, id)
);
comment on column authenticator_apps.id is 'the person';

create table passkeys (
  firm_id text not null,
  id text not null unique,
  user_id text not null,
  name text not null check (length(name) between 1 and 60),
  public_key bytea not null,
  counter bigint not null,
  transports text[] not null default '{}',
  created_at timestamptz not null default now(),
  last_used_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, user_id) references users (firm_id, id)
);
create index passkeys_of_user on passkeys (firm_id, user_id);

create table recovery_codes (
  firm_id text not null,
  id text not null,
  user_id text not null,
  code_hash bytea not null,
  used_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, user_id) references users (firm_id, id)
);
create index recovery_codes_of_user on recovery_codes (firm_id, user_id);

-- What stands between two requests of one sign-in, and links to choose a new password. Each is taken once.
create table signin_steps (
  id uuid not null default gen_random_uuid() primary key,
  token_hash bytea not null unique,
  kind text not null check (kind in ('second', 'passkey', 'new passkey', 'reset')),
  firm_id text,
  user_id text,
  made_by text,
  challenge text,
  expires_at timestamptz not null,
  foreign key (firm_id, user_id) references users (firm_id, id)
);

create or replace function keep_audit() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
declare
  secrets text[] := array['password_hash', 'token_hash', 'pdf', 'secret', 'code_hash', 'challenge', 'public_key'];
  old_row jsonb := case when tg_op = 'INSERT' then null else to_jsonb(old) - secrets end;
  new_row jsonb := case when tg_op = 'DELETE' then null else to_jsonb(new) - secrets end;
  any_row jsonb := coalesce(new_row, old_row);
begin
  insert into audit_entries (firm_id, actor, action, subject, subject_id, version, before, after)
  values (any_row ->> 'firm_id', current_actor(), lower(tg_op), tg_table_name,
          coalesce(any_row ->> 'id', any_row ->> 'firm_id'), (any_row ->> 'version')::integer, old_row, new_row);
  return null;
end $$;

create trigger audit after insert or update or delete on authenticator_apps for each row execute function keep_audit();
create trigger audit after insert or update or delete on passkeys for each row execute function keep_audit();
create trigger audit after insert or update or delete on recovery_codes for each row execute function keep_audit();
create trigger audit after insert on signin_steps for each row when (new.kind = 'reset') execute function keep_audit();

alter table authenticator_apps enable row level security;
alter table passkeys enable row level security;
alter table recovery_codes enable row level security;
alter table signin_steps enable row level security;
create policy own_firm on authenticator_apps using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on passkeys using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on recovery_codes using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on signin_steps using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));

create function auth_step_open(hash bytea, of_kind text, in_firm text, of_user text, maker text, with_challenge text, seconds integer)
returns void language sql security definer set search_path = public, pg_temp as $$
  delete from signin_steps where expires_at < now();
  insert into signin_steps (token_hash, kind, firm_id, user_id, made_by, challenge, expires_at)
  values (hash, of_kind, in_firm, of_user, maker, with_challenge, now() + make_interval(secs => seconds));
$$;

-- A step that still stands: its person is not shut out, and whoever made a link for them is still an owner.
create function auth_step(hash bytea, of_kind text)
returns table (firm_id text, user_id text, challenge text, email text, name text, firm_name text)
language sql stable security definer set search_path = public, pg_temp as $$
  select s.firm_id, s.user_id, s.challenge, u.email, u.name, f.name
    from signin_steps s
    left join users u on u.firm_id = s.firm_id and u.id = s.user_id
    left join firms f on f.firm_id = s.firm_id
    left join users m on m.firm_id = s.firm_id and m.id = s.made_by
   where s.token_hash = hash and s.kind = of_kind and s.expires_at > now()
     and (s.user_id is null or (u.id is not null and u.disabled_at is null))
     and (s.made_by is null or (m.role = 'owner' and m.disabled_at is null))
$$;

create function auth_step_take(hash bytea, of_kind text) returns boolean
language sql security definer set search_path = public, pg_temp as $$
  with taken as (delete from signin_steps where token_hash = hash and kind = of_kind and expires_at > now() returning 1)
  select exists (select from taken)
$$;

create function auth_passkey(wanted text)
returns table (firm_id text, user_id text, public_key bytea, counter bigint, transports text[])
language sql stable security definer set search_path = public, pg_temp as $$
  select p.firm_id, p.user_id, p.public_key, p.counter, p.transports
    from passkeys p join users u on u.firm_id = p.firm_id and u.id = p.user_id and u.disabled_at is null
   where p.id = wanted
$$;
