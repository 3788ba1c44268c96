-- What work costs, when it is planned for, what was done of it, and what the client approved.
alter table firms add column rates jsonb, add column closed_seasons jsonb;
alter table decisions add column planned_on date;

create table work_done (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  step text not null,
  how text not null check (how in ('done', 'changed', 'not done')),
  done_on date not null,
  done_by text,
  amounts jsonb,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index work_done_of_visit on work_done (firm_id, visit_id);
alter table work_done enable row level security;
create policy own_firm on work_done
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on work_done for each row execute function keep_audit();
create trigger versions before update on work_done for each row execute function count_version();

-- What a client was shown behind a link, word for word, and what they approved. The text is kept as it was hashed.
create table offers (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  token_hash bytea not null unique,
  content text not null,
  sha256 text not null,
  created_at timestamptz not null default now(),
  created_by text,
  expires_at timestamptz not null,
  revoked_at timestamptz,
  approved_at timestamptz,
  approved_name text check (length(approved_name) between 2 and 120),
  approved_option text,
  approved_sha256 text,
  approved_note text check (length(approved_note) <= 2000),
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id),
  check ((approved_at is null) = (approved_name is null) and (approved_at is null) = (approved_option is null)
    and (approved_at is null) = (approved_sha256 is null))
);
create index offers_of_visit on offers (firm_id, visit_id);

-- What was shown stays as it was shown; an approval is given once and stands.
create function keep_offer() returns trigger language plpgsql as $$
begin
  if tg_op = 'INSERT' then
    if new.approved_at is not null then
      raise exception 'An offer is made before it is approved' using errcode = 'restrict_violation';
    end if;
    return new;
  end if;
  if (new.token_hash, new.content, new.sha256, new.visit_id, new.created_at)
     is distinct from (old.token_hash, old.content, old.sha256, old.visit_id, old.created_at) then
    raise exception 'What was offered cannot be changed' using errcode = 'restrict_violation';
  end if;
  if old.approved_at is not null and
     (new.approved_at, new.approved_name, new.approved_option, new.approved_sha256, new.approved_note)
     is distinct from (old.approved_at, old.approved_name, old.approved_option, old.approved_sha256, old.approved_note) then
    raise exception 'An approval cannot be changed' using errcode = 'restrict_violation';
  end if;
  return new;
end $$;
create trigger shown before insert or update on offers for each row execute function keep_offer();
create trigger versions before update on offers for each row execute function count_version();
create trigger audit after insert or update or delete on offers for each row execute function keep_audit();
alter table offers enable row level security;
create policy own_firm on offers
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));

-- What a link shows, whoever holds it; nothing where there is no such link.
create function auth_offer(wanted_token_hash bytea)
returns table (content text, sha256 text, expires_at timestamptz, expired boolean, revoked boolean,
  approved_at timestamptz, approved_name text, approved_option text)
language sql stable security definer set search_path = public, pg_temp as $$
  select o.content, o.sha256, o.expires_at, o.expires_at <= now(), o.revoked_at is not null,
         o.approved_at, o.approved_name, o.approved_option
    from offers o where o.token_hash = wanted_token_hash
$$;

-- Approves one of the options of a link: once, in time, and only what was shown. Answers why not, or 'approved'.
create function auth_approve(wanted_token_hash bytea, shown_sha256 text, wanted_option text, by_name text, with_note text)
returns text language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found_row offers%rowtype;
begin
  select * into found_row from offers o where o.token_hash = wanted_token_hash for update;
  if not found then return 'unknown'; end if;
  if found_row.revoked_at is not null then return 'revoked'; end if;
  if found_row.expires_at <= now() then return 'expired'; end if;
  if found_row.approved_at is not null then return 'approved before'; end if;
  if found_row.sha256 is distinct from shown_sha256 then return 'altered'; end if;
  if not exists (select from jsonb_array_elements(found_row.content::jsonb -> 'options') o where o ->> 'key' = wanted_option) then
    return 'no such option';
  end if;
  update offers o set approved_at = now(), approved_name = by_name, approved_option = wanted_option,
         approved_sha256 = shown_sha256, approved_note = nullif(with_note, '')
   where o.firm_id = found_row.firm_id and o.id = found_row.id;
  return 'approved';
end $$;
