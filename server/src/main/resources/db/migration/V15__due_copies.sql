-- The floor asks at every look which copies are due for erasing.
CREATE INDEX drive_run_by_kind ON drive_run (kind, job_id, drive_key);
