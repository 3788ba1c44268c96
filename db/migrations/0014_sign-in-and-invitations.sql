-- An attempt is counted before the password is looked at, one after the other for each account and address, so that many
-- at once are not all let through; once it is over it is marked with what came of it.
alter table signin_attempts add column id uuid not null default gen_random_uuid();
create unique index signin_attempts_by_id on signin_attempts (id);

create function auth_try(tried_account text, from_address text, within interval, most_pair integer, most_account integer, most_address integer)
returns uuid language plpgsql security definer set search_path = public, pg_temp as $$
declare
  since timestamptz := now() - within;
  made uuid;
begin
  perform pg_advisory_xact_lock(7301188, hashtext(tried_account));
  perform pg_advisory_xact_lock(7301189, hashtext(from_address));
  delete from signin_attempts where at < now() - interval '1 day';
  if (select count(*) from signin_attempts a where a.account = tried_account and a.address = from_address and not a.ok and a.at > since
        and a.at > coalesce((select max(s.at) from signin_attempts s
                              where s.account = tried_account and s.address = from_address and s.ok), '-infinity')) >= most_pair
     or (select count(*) from signin_attempts a where a.account = tried_account and not a.ok and a.at > since) >= most_account
     or (select count(*) from signin_attempts a where a.address = from_address and not a.ok and a.at > since) >= most_address then
    return null;
  end if;
  insert into signin_attempts (firm_id, account, address, ok, at)
  values ((select u.firm_id from users u where u.email = tried_account), tried_account, from_address, false, clock_timestamp())
  returning id into made;
  return made;
end $$;

create function auth_tried(attempt uuid) returns void language sql security definer set search_path = public, pg_temp as $$
  update signin_attempts set ok = true, at = clock_timestamp() where id = attempt;
$$;

drop function auth_failures(text, text, interval);
drop function auth_note_attempt(text, text, boolean);

-- An invitation may be taken back, and does not outlive the owner who made it.
alter table invitations add column revoked_at timestamptz;
create or replace function auth_invitation(wanted_token_hash bytea)
returns table (firm_id text, firm_name text, email text, role text) language sql stable security definer
set search_path = public, pg_temp as $$
  select i.firm_id, f.name, i.email, i.role from invitations i join firms f using (firm_id)
    join users u on u.firm_id = i.firm_id and u.id = i.invited_by and u.disabled_at is null and u.role = 'owner'
   where i.token_hash = wanted_token_hash and i.accepted_at is null and i.revoked_at is null and i.expires_at > now()
$$;

-- A session that nobody used for a fortnight is over.
create or replace function auth_enter(wanted_token_hash bytea)
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
   where s.token_hash = wanted_token_hash and s.expires_at > now() and s.last_seen_at > now() - interval '14 days';
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
