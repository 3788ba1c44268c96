-- What was decided for the cut plan of a visit; the plan itself follows from it and the dig.
create table cut_designs (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  stages integer check (stages between 1 and 5),
  interval_years integer check (interval_years between 1 and 10),
  limits jsonb,
  windward double precision,
  target double precision,
  sensitive boolean,
  locks jsonb,
  agreed jsonb,
  note text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create unique index cut_designs_of_visit on cut_designs (firm_id, visit_id);
alter table cut_designs enable row level security;
create policy own_firm on cut_designs
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on cut_designs for each row execute function keep_audit();
create trigger versions before update on cut_designs for each row execute function count_version();
