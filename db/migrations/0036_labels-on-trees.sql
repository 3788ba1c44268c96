-- What stands on a tree's label: at random, so that it tells nothing to whoever finds it.
alter table trees add column code text not null default left(replace(gen_random_uuid()::text, '-', ''), 20);
create unique index trees_by_code on trees (firm_id, code);
