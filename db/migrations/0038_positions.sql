-- A tree's position as a phone read it, and how far its place on the plan may be out where it came from one.
alter table trees add column fix jsonb, add column position_error double precision check (position_error >= 0);
