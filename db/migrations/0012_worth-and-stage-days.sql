-- What a tree is worth to its owner, as they said it, and the day each later stage of a cut plan is planned for.
alter table trees add column worth jsonb;
alter table cut_designs add column stage_days jsonb;
