-- Where the crews of a firm start from: latitude and longitude, degrees.
alter table firms add column yard jsonb;
