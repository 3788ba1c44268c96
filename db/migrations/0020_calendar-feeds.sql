-- A calendar that a program reads behind a token: for whom it is and of which grounds. The token is kept hashed; taken back, it answers no more.
create table calendar_feeds (
  firm_id text not null,
  id text not null,
  token_hash bytea not null unique,
  name text not null check (length(name) between 1 and 120),
  who text check (who in ('consultant', 'crew', 'owner', 'contractor')),
  property_id text,
  created_at timestamptz not null default now(),
  created_by text not null,
  revoked_at timestamptz,
  read_at timestamptz,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, id),
  foreign key (firm_id, property_id) references properties (firm_id, id)
);
alter table calendar_feeds enable row level security;
create policy own_firm on calendar_feeds
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger versions before update on calendar_feeds for each row execute function count_version();

-- Whose calendar a token opens; nothing once it was taken back, or the grounds are gone.
create function auth_feed(wanted_token_hash bytea)
returns table (firm_id text, user_id text, name text, who text, property_id text, firm_name text)
language plpgsql security definer set search_path = public, pg_temp as $$
begin
  update calendar_feeds f set read_at = now()
   where f.token_hash = wanted_token_hash and f.revoked_at is null and (f.read_at is null or f.read_at < now() - interval '10 minutes');
  return query
    select f.firm_id, f.created_by, f.name, f.who, f.property_id, firms.name
      from calendar_feeds f join firms on firms.firm_id = f.firm_id
     where f.token_hash = wanted_token_hash and f.revoked_at is null
       and (f.property_id is null or exists (select from properties p
         where p.firm_id = f.firm_id and p.id = f.property_id and p.deleted_at is null));
end $$;
