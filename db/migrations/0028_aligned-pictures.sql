-- Four places that a picture has in common with an earlier one of the same.
alter table pictures add column aligned jsonb;
