-- Clients, properties, trees and what was seen and measured at them. Keys carry the firm, so that no row can refer to
-- another firm's. Deletes are soft; `version` counts changes; lengths in metres, bearings in degrees from north.

create table clients (
  firm_id text not null references firms,
  id text not null,
  name text not null check (length(name) between 1 and 120),
  contact text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id)
);

create table properties (
  firm_id text not null references firms,
  id text not null,
  client_id text,
  name text not null check (length(name) between 1 and 120),
  note text,
  -- Outlines of buildings, paving and the like: GeoJSON features in local metres.
  plan jsonb not null default '[]',
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, client_id) references clients (firm_id, id)
);

create table trees (
  firm_id text not null,
  id text not null,
  property_id text not null,
  label text not null check (length(label) between 1 and 80),
  species text not null,
  common_name text,
  planted_year integer check (planted_year between 1700 and 2200),
  stock text check (stock in ('container', 'balled-and-burlapped', 'bare-root', 'field-grown')),
  stem_diameter double precision check (stem_diameter between 0.005 and 4),
  dbh double precision check (dbh between 0.003 and 4),
  height double precision check (height between 0.2 and 90),
  crown_radius double precision check (crown_radius between 0.1 and 30),
  mulch_room double precision check (mulch_room between 0.1 and 15),
  x double precision,
  y double precision,
  reference boolean not null default false,
  schools jsonb not null default '{}',
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, property_id) references properties (firm_id, id),
  check ((x is null) = (y is null))
);
create index trees_of_property on trees (firm_id, property_id, label);

create table tree_events (
  firm_id text not null,
  id text not null,
  tree_id text not null,
  kind text not null,
  happened text not null check (happened ~ '^\d{4}(-\d{2}(-\d{2})?)?$'),
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, tree_id) references trees (firm_id, id)
);
create index tree_events_of_tree on tree_events (firm_id, tree_id);

create table visits (
  firm_id text not null,
  id text not null,
  tree_id text not null,
  visited_on date not null,
  visitor text,
  note text,
  look_again_on date,
  look_again_why text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, tree_id) references trees (firm_id, id)
);
create index visits_of_tree on visits (firm_id, tree_id, visited_on);
create index visits_due on visits (firm_id, look_again_on) where look_again_on is not null;

create table findings (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  key text not null,
  part integer,
  answer text,
  number double precision,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index findings_of_visit on findings (firm_id, visit_id);

create table grade_profiles (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  bearing double precision not null check (bearing >= 0 and bearing < 360),
  -- [{distance, depth}], metres from the bark outward
  mulch jsonb not null default '[]',
  mulch_ends double precision check (mulch_ends between 0 and 15),
  fill jsonb not null default '[]',
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index grade_profiles_of_visit on grade_profiles (firm_id, visit_id);

create table probe_points (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  bearing double precision not null check (bearing >= 0 and bearing < 360),
  distance double precision not null check (distance between 0 and 15),
  depth double precision not null check (depth between -0.5 and 1.5),
  found text not null check (found in ('root', 'nothing', 'obstacle')),
  read_from text not null check (read_from in ('grade', 'mulch')),
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index probe_points_of_visit on probe_points (firm_id, visit_id);

create table decisions (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  operation text not null,
  taken boolean not null,
  wording text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index decisions_of_visit on decisions (firm_id, visit_id);

do $$
declare
  name text;
begin
  foreach name in array array['clients', 'properties', 'trees', 'tree_events', 'visits', 'findings', 'grade_profiles',
                              'probe_points', 'decisions'] loop
    execute format('alter table %I enable row level security', name);
    execute format('create policy own_firm on %I using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()))', name);
    execute format('create trigger audit after insert or update or delete on %I for each row execute function keep_audit()', name);
    execute format('create trigger versions before update on %I for each row execute function count_version()', name);
  end loop;
end $$;
