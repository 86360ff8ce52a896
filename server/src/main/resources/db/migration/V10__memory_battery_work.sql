-- What runs on memory, battery and the machine at work found, beside what drives have.
ALTER TABLE drive_run ADD COLUMN finding MEDIUMTEXT;
ALTER TABLE run_result ADD COLUMN finding MEDIUMTEXT;

-- By which the modules of an isolation are known again at each start; null if nobody read them.
ALTER TABLE swap_setup ADD COLUMN serials VARCHAR(400);
