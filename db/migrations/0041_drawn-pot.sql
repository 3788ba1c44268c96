-- Places of the wall of an old pot that were touched on the plan of a dig.
alter table digs add column pot jsonb;
