-- A sign that was seen of one part, not only of the whole machine; said at the counter ('intake') or
-- seen when a move was made ('move').
ALTER TABLE job_sign
  ADD COLUMN part   VARCHAR(60) NOT NULL DEFAULT 'machine',
  ADD COLUMN origin VARCHAR(10) NOT NULL DEFAULT 'intake';

-- A move that a technician made by hand, with what was seen; evidence, never changed. One that is
-- taken back keeps its row and gets another that says so.
CREATE TABLE job_move (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id      BIGINT        NOT NULL,
  move_id     VARCHAR(60)   NOT NULL,
  part        VARCHAR(60)   NOT NULL,
  title       VARCHAR(200)  NOT NULL,
  outcome     VARCHAR(20)   NOT NULL,
  words       VARCHAR(500)  NOT NULL,
  note        VARCHAR(500)  NOT NULL,
  made_by     BIGINT        NOT NULL,
  made_at     DATETIME(6)   NOT NULL,
  KEY job_move_by_job (job_id, id),
  CONSTRAINT job_move_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT job_move_person FOREIGN KEY (made_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON job_move TO ${appUser};
