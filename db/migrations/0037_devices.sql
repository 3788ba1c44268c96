-- Which properties the device of a session holds, and since when: for the owner who ends the session of a lost one.
alter table sessions add column along jsonb not null default '{}';
