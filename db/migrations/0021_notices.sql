-- What whoever mows and mulches was told, word for word, behind a link, and that they received it.
create table notices (
  firm_id text not null,
  id text not null,
  property_id text not null,
  token_hash bytea not null unique,
  to_name text not null check (length(to_name) between 1 and 120),
  content text not null,
  sha256 text not null,
  created_at timestamptz not null default now(),
  created_by text,
  revoked_at timestamptz,
  received_at timestamptz,
  received_name text check (length(received_name) between 2 and 120),
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, id),
  foreign key (firm_id, property_id) references properties (firm_id, id),
  check ((received_at is null) = (received_name is null))
);
create index notices_of_property on notices (firm_id, property_id);
alter table notices enable row level security;
create policy own_firm on notices
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));

-- What a link shows, before any firm is known.
create function auth_notice(wanted_token_hash bytea)
returns table (content text, sha256 text, to_name text, revoked boolean, received_at timestamptz, received_name text)
language sql stable security definer set search_path = public, pg_temp as $$
  select n.content, n.sha256, n.to_name, n.revoked_at is not null, n.received_at, n.received_name
    from notices n where n.token_hash = wanted_token_hash
$$;

-- Takes the receipt of exactly the text that was shown, once. Answers why not, or 'received'.
create function auth_receive(wanted_token_hash bytea, shown_sha256 text, by_name text)
returns text language plpgsql security definer set search_path = public, pg_temp as $$
declare
  found_row notices%rowtype;
begin
  select * into found_row from notices n where n.token_hash = wanted_token_hash for update;
  if not found then return 'unknown'; end if;
  if found_row.revoked_at is not null then return 'revoked'; end if;
  if found_row.received_at is not null then return 'received before'; end if;
  if found_row.sha256 is distinct from shown_sha256 then return 'altered'; end if;
  update notices n set received_at = now(), received_name = by_name
   where n.firm_id = found_row.firm_id and n.id = found_row.id;
  return 'received';
end $$;
