-- The step of an order that a picture proves.
alter table pictures add column step text;
