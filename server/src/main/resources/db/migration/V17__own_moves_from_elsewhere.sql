-- Moves of another shop's own that an archive names: what they were. None is offered or weighed here
-- until a lead takes it over.
CREATE TABLE job_own_move (
  id      BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id  BIGINT      NOT NULL,
  move_id VARCHAR(60) NOT NULL,
  body    MEDIUMTEXT  NOT NULL,
  UNIQUE KEY job_own_move_once (job_id, move_id),
  CONSTRAINT job_own_move_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON job_own_move TO ${appUser};
