-- Issued reports of properties: numbered in the same row as those of trees, fixed as they are. There are no drafts.
create table property_reports (
  firm_id text not null,
  id text not null,
  property_id text not null,
  number text not null,
  -- The document of every length, and the figures for machines.
  documents jsonb not null,
  figures jsonb not null,
  pdf bytea not null,
  sha256 text not null,
  issued_at timestamptz not null default now(),
  issued_by text,
  primary key (firm_id, id),
  unique (firm_id, number),
  foreign key (firm_id, property_id) references properties (firm_id, id)
);
create index property_reports_of_property on property_reports (firm_id, property_id);
create index property_reports_by_hash on property_reports (sha256);

create trigger issued before update or delete on property_reports for each row execute function keep_issued();

-- The audit entry says who issued what; the documents are with the report itself.
create function keep_audit_of_issue() returns trigger language plpgsql security definer set search_path = public, pg_temp as $$
begin
  insert into audit_entries (firm_id, actor, action, subject, subject_id, after)
  values (new.firm_id, current_actor(), 'insert', tg_table_name, new.id,
          jsonb_build_object('number', new.number, 'property_id', new.property_id, 'sha256', new.sha256));
  return null;
end $$;
create trigger audit after insert on property_reports for each row execute function keep_audit_of_issue();

alter table property_reports enable row level security;
create policy own_firm on property_reports using (firm_id = (select current_firm())) with check (firm_id = (select current_firm()));

create or replace function auth_issued(wanted text)
returns table (number text, firm text, issued_on text)
language sql stable security definer set search_path = public, pg_temp as $$
  select r.number, f.name, to_char(r.issued_at at time zone 'UTC', 'YYYY-MM-DD')
    from (select firm_id, number, issued_at from reports where sha256 = wanted and number is not null
          union all
          select firm_id, number, issued_at from property_reports where sha256 = wanted) r
    join firms f on f.firm_id = r.firm_id
$$;
