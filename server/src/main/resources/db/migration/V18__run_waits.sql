-- A run whose drive or probe is away goes on by itself: until then it says what it waits for.
ALTER TABLE drive_run ADD COLUMN waits VARCHAR(400) NULL;
