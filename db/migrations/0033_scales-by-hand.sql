-- A rod, tape or stem of known length in a picture, layers touched on the face of a pit, and what goes before others into a report.
alter table pictures
  add column first boolean,
  add column bar jsonb,
  add column face jsonb;
-- The picture on which the layers of a hole were measured.
alter table soil_logs add column traced text;
