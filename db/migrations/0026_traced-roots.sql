-- Cards in a picture, which tie it to the plan of the dig, and the picture on which a root was traced.
alter table pictures add column cards jsonb;
alter table roots add column traced text check (traced ~ '^[0-9a-f]{64}$');
