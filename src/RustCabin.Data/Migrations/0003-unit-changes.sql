-- A change made on a job's page may be one to its unit (a clue that was seen, a revision confirmed): the unit's sheet before and after it,
-- so that undo and redo serve both. Null where the unit was left alone.
alter table job_change add column unit_before text;
alter table job_change add column unit_after text;
