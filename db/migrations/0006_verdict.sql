-- Noted, yet not sure of: weighed less.
alter table findings add column unsure boolean;
-- The consultant's own first cause against the weighing of the findings, and what the client is told.
alter table visits add column opinion_cause text, add column opinion_why text, add column client_words text;
-- Trees planted together, and the walk-round of a property.
alter table trees add column planter text, add column cohort text;
alter table properties add column round_started date;
alter table visits add column walk boolean;
-- The firm's own words in the table of causes, with their version; and those a kept assessment was weighed with.
alter table firms add column judgements jsonb;
alter table assessments add column judgements jsonb;
