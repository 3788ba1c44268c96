-- Rain of the growing seasons of a property, and who measured it.
alter table properties add column weather jsonb;
