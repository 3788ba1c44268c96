-- The colour of leaves on the leaf sheet, as it was measured in a picture.
alter table pictures add column leaves jsonb;
