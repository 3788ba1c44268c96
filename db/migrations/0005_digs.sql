-- The dig of a visit: the stem at the level of the collar, and the roots that were laid open, each a row of its own so
-- that two people in one pit do not meet in one record.

create table digs (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  radii jsonb,
  diameters jsonb,
  buttresses jsonb,
  decay jsonb,
  barriers jsonb,
  measured_from text not null check (measured_from in ('bark', 'centre')),
  north text not null check (north in ('true', 'magnetic')),
  declination double precision,
  pit_radius double precision,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create unique index digs_of_visit on digs (firm_id, visit_id);

create table roots (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  label text not null,
  kind text not null check (kind in ('structural', 'girdling', 'root on root', 'circling', 'adventitious', 'competing')),
  start text not null check (start in ('stem', 'root', 'outside')),
  grows_from text,
  points jsonb not null,
  passes_over jsonb,
  condition text check (condition in ('sound', 'cracked', 'decayed', 'dead')),
  contact text check (contact in ('clear', 'touching', 'pressing', 'embedded', 'grafted')),
  embedded double precision,
  left_pot boolean,
  farthest double precision,
  rings jsonb,
  note text,
  done jsonb,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index roots_of_visit on roots (firm_id, visit_id);

do $$
declare
  name text;
begin
  foreach name in array array['digs', 'roots'] loop
    execute format('alter table %I enable row level security', name);
    execute format('create policy own_firm on %I using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()))', name);
    execute format('create trigger audit after insert or update or delete on %I for each row execute function keep_audit()', name);
    execute format('create trigger versions before update on %I for each row execute function count_version()', name);
  end loop;
end $$;
