-- What became of something that was due after a visit: done, moved to another day with its reason, or dropped with one.
create table follow_ups (
  firm_id text not null,
  id text not null,
  visit_id text not null,
  task text not null,
  how text not null check (how in ('done', 'moved', 'dropped')),
  on_day date not null,
  done_by text,
  why text check (how = 'done' or length(trim(why)) > 0),
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  deleted_at timestamptz,
  primary key (firm_id, id),
  foreign key (firm_id, visit_id) references visits (firm_id, id)
);
create index follow_ups_of_visit on follow_ups (firm_id, visit_id);
alter table follow_ups enable row level security;
create policy own_firm on follow_ups
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger audit after insert or update or delete on follow_ups for each row execute function keep_audit();
create trigger versions before update on follow_ups for each row execute function count_version();
