-- Species as a firm judges them, before those of the program.
alter table firms add column species jsonb;
