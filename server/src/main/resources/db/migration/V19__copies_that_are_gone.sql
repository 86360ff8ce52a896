-- A copy that is not with its probe any more shows nothing; and what was found on a drive counts in
-- every job that the drive is in, so runs are looked up by the drive too.
ALTER TABLE drive_run
  ADD COLUMN copy_missing_at DATETIME(6) NULL,
  ADD COLUMN copy_found_at DATETIME(6) NULL;
CREATE INDEX run_result_by_drive ON run_result (drive_serial, drive_model);
