-- Schools that hold on a whole property, between those of the firm and those of a tree.
alter table properties add column schools jsonb not null default '{}';
