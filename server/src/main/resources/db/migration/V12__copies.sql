-- Where a copy belongs and what is wanted of it; null for runs that copy nothing.
ALTER TABLE drive_run ADD COLUMN copy_order MEDIUMTEXT;

-- What a probe may write to for this run; null for runs that only read.
ALTER TABLE drive_run ADD COLUMN write_release TEXT;
