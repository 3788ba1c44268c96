-- Photographs of a visit: what each shows, and marks over it. The files are kept apart, once each, by the hash of what came.
create table pictures (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  width integer not null,
  height integer not null,
  taken_on date not null,
  taken_by text,
  shows text,
  bearing double precision,
  root text,
  caption text,
  left_out boolean,
  sheet jsonb,
  marks jsonb,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index pictures_of_visit on pictures (firm_id, visit_id);
alter table pictures enable row level security;
create policy own_firm on pictures
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on pictures for each row execute function keep_audit();
create trigger versions before update on pictures for each row execute function count_version();

-- No audit: what is kept here is never changed, and its bytes would stand twice.
create table picture_files (
  firm_id text not null,
  hash text not null check (hash ~ '^[0-9a-f]{64}$'),
  type text not null check (type in ('image/jpeg', 'image/png', 'image/webp')),
  width integer not null,
  height integer not null,
  -- As it came, with all it says of place and device; never given out.
  original bytea not null,
  -- Upright, without any of that: for a page or a print, and for a list.
  page bytea not null,
  small bytea not null,
  created_at timestamptz not null default now(),
  created_by text,
  primary key (firm_id, hash)
);
alter table picture_files enable row level security;
create policy own_firm on picture_files
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
