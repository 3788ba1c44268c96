-- Verdict and prescription as they stood, and the reports made from them. An issued report is fixed: the database
-- refuses to change it.

create table assessments (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  taken_at timestamptz not null default now(),
  verdict_engine text not null,
  prescription_engine text not null,
  verdict jsonb not null,
  prescription jsonb not null,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index assessments_of_visit on assessments (firm_id, visit_id);

create table reports (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  assessment_id text,
  -- The consultant's own words by part of the report; a draft until issued.
  wording jsonb not null default '{}',
  number text,
  content jsonb,
  pdf bytea,
  sha256 text,
  issued_at timestamptz,
  issued_by text,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, id),
  unique (firm_id, number),
  foreign key (firm_id, visit_id) references visits (firm_id, id),
  foreign key (firm_id, assessment_id) references assessments (firm_id, id),
  check ((issued_at is null) = (number is null) and (issued_at is null) = (pdf is null) and (issued_at is null) = (sha256 is null))
);
create index reports_of_visit on reports (firm_id, visit_id);

create table report_counters (
  firm_id text not null references firms,
  year integer not null,
  last integer not null,
  primary key (firm_id, year)
);

create function keep_issued() returns trigger language plpgsql as $$
begin
  if old.issued_at is not null then
    raise exception 'Report % is issued and cannot be changed', old.number using errcode = 'restrict_violation';
  end if;
  return case when tg_op = 'DELETE' then old else new end;
end $$;

create trigger issued before update or delete on reports for each row execute function keep_issued();
create trigger versions before update on reports for each row execute function count_version();
create trigger audit after insert or update or delete on reports for each row execute function keep_audit();
create trigger audit after insert on assessments for each row execute function keep_audit();

alter table assessments enable row level security;
alter table reports enable row level security;
alter table report_counters enable row level security;
create policy own_firm on assessments using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on reports using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create policy own_firm on report_counters using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
