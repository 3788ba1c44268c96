-- A visit has at most one draft of a report: who opens it twice at once works on the same one. Of several the newest stays.
delete from reports older using reports newer
  where older.firm_id = newer.firm_id and older.visit_id = newer.visit_id
    and older.issued_at is null and newer.issued_at is null
    and (older.updated_at, older.id) < (newer.updated_at, newer.id);

create unique index reports_one_draft on reports (firm_id, visit_id) where issued_at is null;
