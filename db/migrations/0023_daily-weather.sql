-- Daily weather that somebody brought in for some grounds; days that are not in it are the service's.
create table daily_weather (
  firm_id text not null,
  property_id text not null,
  days jsonb not null,
  source text not null,
  version integer not null default 1,
  updated_at timestamptz not null default now(),
  updated_by text,
  primary key (firm_id, property_id),
  foreign key (firm_id, property_id) references properties (firm_id, id)
);
alter table daily_weather enable row level security;
create policy own_firm on daily_weather
  using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));
create trigger versions before update on daily_weather for each row execute function count_version();
