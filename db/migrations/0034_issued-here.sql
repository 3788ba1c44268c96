-- Whether a file is a report that was issued here: asked by its whole hash, which only who has the file knows.
create index reports_by_hash on reports (sha256) where sha256 is not null;
create function auth_issued(wanted text)
returns table (number text, firm text, issued_on text)
language sql stable security definer set search_path = public, pg_temp as $$
  select r.number, f.name, to_char(r.issued_at at time zone 'UTC', 'YYYY-MM-DD')
    from reports r join firms f on f.firm_id = r.firm_id
   where r.sha256 = wanted and r.number is not null
$$;
