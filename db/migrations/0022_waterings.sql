-- What was done on a watering round: what the probe found, and how much was given.
create table waterings (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  on_day date not null,
  litres double precision check (litres between 0 and 20000),
  probe text check (probe in ('moist', 'dry')),
  done_by text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id),
  check (litres is not null or probe is not null)
);
create index waterings_of_visit on waterings (firm_id, visit_id);
alter table waterings enable row level security;
create policy own_firm on waterings
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on waterings for each row execute function keep_audit();
create trigger versions before update on waterings for each row execute function count_version();
