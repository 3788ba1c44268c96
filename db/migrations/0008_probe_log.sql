-- Holes of the soil probe, layer by layer, at places about the tree and elsewhere.
create table soil_logs (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  place text not null check (place in ('ring', 'outside', 'open', 'reference')),
  bearing double precision not null,
  distance double precision not null,
  layers jsonb not null,
  refusal double precision,
  old_grade double precision,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index soil_logs_of_visit on soil_logs (firm_id, visit_id);
alter table soil_logs enable row level security;
create policy own_firm on soil_logs
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on soil_logs for each row execute function keep_audit();
create trigger versions before update on soil_logs for each row execute function count_version();

-- How moist the soil was at a push of the penetrometer.
alter table pushes add column moisture text check (moisture in ('dry', 'moist', 'wet'));

-- The drip line, bearing by bearing.
alter table trees add column crown_spread jsonb;
