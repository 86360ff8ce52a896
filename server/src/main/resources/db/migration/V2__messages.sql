-- What the server says is kept as messages with their arguments, to be read in any language. A key is longer than some
-- sentences were. What was kept before is text and stays as it is.
ALTER TABLE job MODIFY headline VARCHAR(4000) NOT NULL, MODIFY contradicted VARCHAR(2000);
ALTER TABLE journal_entry MODIFY title VARCHAR(2000) NOT NULL, MODIFY detail VARCHAR(6000) NOT NULL;
ALTER TABLE job_finding MODIFY words VARCHAR(2000) NOT NULL;
ALTER TABLE job_move MODIFY title VARCHAR(1000) NOT NULL, MODIFY words VARCHAR(4000) NOT NULL;
ALTER TABLE notice MODIFY words VARCHAR(2000) NOT NULL;
ALTER TABLE run MODIFY waits VARCHAR(1000);
ALTER TABLE data_status_entry MODIFY wording VARCHAR(2000);
