-- Amounts of work done are told by the key of their quantity: what it is called may be worded anew.
alter table work_done disable trigger audit;
alter table work_done disable trigger versions;

with named (name, key) as (values
  ('Air tool', 'airTool'),
  ('Bags of compost', 'bagsOfCompost'),
  ('Bags to bring', 'bagsToBring'),
  ('Bags to carry away', 'bagsToCarryAway'),
  ('Barrier', 'barrier'),
  ('Bowl radius', 'bowlRadius'),
  ('Chips to take away', 'chipsToTakeAway'),
  ('Compost', 'compost'),
  ('Crew hours', 'crewHours'),
  ('Drain', 'drain'),
  ('Drain to daylight', 'drainToDaylight'),
  ('Face of the wall', 'faceOfWall'),
  ('Floor below grade', 'floorBelowGrade'),
  ('Guards', 'guards'),
  ('Heap', 'heap'),
  ('Hole diameter', 'holeDiameter'),
  ('Holes', 'holes'),
  ('Lift', 'lift'),
  ('Mulch left over', 'mulchLeftOver'),
  ('Mulch missing', 'mulchMissing'),
  ('Native soil back', 'nativeSoilBack'),
  ('New ring radius', 'newRingRadius'),
  ('Radius kept clear', 'radiusKeptClear'),
  ('Regrade radius', 'regradeRadius'),
  ('Ring the mulch covers', 'ringMulchCovers'),
  ('Root cross-section that goes', 'rootSectionThatGoes'),
  ('Roots to cut in stage 1', 'rootsInStage1'),
  ('Soil dug', 'soilDug'),
  ('Soil to take out', 'soilToTakeOut'),
  ('Spoil heap', 'spoilHeap'),
  ('Spoil to take away', 'spoilToTakeAway'),
  ('Stability assessments', 'stabilityAssessments'),
  ('Stake sets', 'stakeSets'),
  ('Trenches, run', 'trenchesRun'),
  ('Wall radius', 'wallRadius'),
  ('Water at each watering', 'waterAtEachWatering'),
  ('Water to settle it', 'waterToSettle'),
  ('Waterings', 'waterings'),
  ('Weight of compost', 'weightOfCompost'),
  ('Young trees', 'youngTrees')
)
update work_done set amounts = (
  select jsonb_agg(jsonb_build_object('quantity', coalesce(named.key, one.amount ->> 'name'), 'amount', one.amount -> 'amount')
      order by one.place)
    from jsonb_array_elements(amounts) with ordinality as one (amount, place)
    left join named on named.name = one.amount ->> 'name')
  where jsonb_typeof(amounts) = 'array' and jsonb_array_length(amounts) > 0;

alter table work_done enable trigger versions;
alter table work_done enable trigger audit;
