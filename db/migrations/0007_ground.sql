-- Rain of the growing seasons of a property, and who measured it.
alter table properties add column weather jsonb;

-- What was measured and decided for the trenches of a visit; the spokes themselves follow from it.
create table trench_designs (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  hole_radius double precision check (hole_radius > 0),
  slope_fall double precision check (slope_fall between 0 and 1),
  slope_toward double precision,
  locked jsonb,
  avoid jsonb,
  marked date,
  choice_remedy text,
  choice_why text,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create unique index trench_designs_of_visit on trench_designs (firm_id, visit_id);
alter table trench_designs enable row level security;
create policy own_firm on trench_designs
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on trench_designs for each row execute function keep_audit();
create trigger versions before update on trench_designs for each row execute function count_version();

-- Pushes of a recording penetrometer: cone index by depth at a place about the tree.
create table pushes (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  bearing double precision not null,
  distance double precision not null,
  readings jsonb not null,
  stopped double precision,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index pushes_of_visit on pushes (firm_id, visit_id);
alter table pushes enable row level security;
create policy own_firm on pushes
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on pushes for each row execute function keep_audit();
create trigger versions before update on pushes for each row execute function count_version();

-- A soil sample that went to the laboratory, and the day its results are expected.
alter table visits add column lab_label text, add column lab_sent date, add column lab_ready date;
