-- The look at a filled hole on the next day is a matter of its own beside the day to come back.
alter table visits add column drain_check date;
