-- Where a copy belongs and what is wanted of it; null for runs that copy nothing.
ALTER TABLE drive_run ADD COLUMN copy_order MEDIUMTEXT;
