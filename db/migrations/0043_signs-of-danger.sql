-- Signs that a tree may fall are named on the first page: few among the findings of tens of thousands of trees.
create index findings_by_answer on findings (firm_id, key, answer) where answer is not null and deleted_at is null;
