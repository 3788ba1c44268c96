-- A picture as paper shows it, made once when it comes. Those that were kept before have none; theirs is made where it is asked for.
alter table picture_files add column print bytea;
