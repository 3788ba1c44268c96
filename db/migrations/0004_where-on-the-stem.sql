-- Where on the stem a wound, a tie or a sign of decay is: side and height above grade.
alter table findings add column bearing double precision, add column height double precision;
