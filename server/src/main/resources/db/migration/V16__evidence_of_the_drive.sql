-- What is known of a drive's data belongs to the physical drive: which one a run was on is kept with
-- its result, as the drive told it; a run that writes names the drive that it is for.
ALTER TABLE run_result
  ADD COLUMN drive_model  VARCHAR(100),
  ADD COLUMN drive_serial VARCHAR(100),
  ADD COLUMN drive_bytes  BIGINT;
ALTER TABLE drive_run
  DROP COLUMN write_release,
  ADD COLUMN named_drive TEXT,
  ADD COLUMN from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE;

ALTER TABLE data_stance MODIFY set_by BIGINT;

-- What came with an archive is told and binds nobody.
ALTER TABLE job ADD COLUMN imported_at DATETIME(6);
ALTER TABLE data_stance
  ADD COLUMN by_run BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE ruling ADD COLUMN from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE;
UPDATE data_stance SET by_run = TRUE WHERE stance IN ('COPIED', 'COPY_VERIFIED');

UPDATE data_stance SET stance = 'NOT_ASKED' WHERE stance = 'UNKNOWN';
UPDATE ruling SET stance = 'NOT_ASKED' WHERE stance = 'UNKNOWN';
-- A signature that named no drive opens nothing any more, and a copy of which nobody knows the drive
-- counts for none: such jobs are asked again.
UPDATE job SET stance = 'NOT_ASKED' WHERE stance = 'UNKNOWN' OR (stance = 'NOT_WANTED' AND ended_at IS NULL);
UPDATE job SET stance = 'WANTED' WHERE stance IN ('COPIED', 'COPY_VERIFIED') AND ended_at IS NULL;
ALTER TABLE job ALTER COLUMN stance SET DEFAULT 'NOT_ASKED';

-- What an owner signed about the data on one drive. Append only, as what became of it.
CREATE TABLE data_waiver (
  id           BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  job_id       BIGINT       NOT NULL,
  drive_model  VARCHAR(100) NOT NULL,
  drive_serial VARCHAR(100) NOT NULL,
  drive_bytes  BIGINT       NOT NULL,
  scope        VARCHAR(20)  NOT NULL,
  holdings     MEDIUMTEXT   NOT NULL,
  wording      TEXT         NOT NULL,
  signer       VARCHAR(200) NOT NULL,
  signature    MEDIUMTEXT,
  recorded_by  BIGINT       NOT NULL,
  recorded_at  DATETIME(6)  NOT NULL,
  KEY data_waiver_by_job (job_id, id),
  KEY data_waiver_by_drive (drive_serial, drive_model),
  CONSTRAINT data_waiver_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT data_waiver_account FOREIGN KEY (recorded_by) REFERENCES account (id)
);
CREATE TABLE data_waiver_step (
  id        BIGINT      NOT NULL AUTO_INCREMENT PRIMARY KEY,
  waiver_id BIGINT      NOT NULL,
  step      VARCHAR(20) NOT NULL,
  made_by   BIGINT      NOT NULL,
  made_at   DATETIME(6) NOT NULL,
  UNIQUE KEY data_waiver_step_once (waiver_id, step),
  CONSTRAINT data_waiver_step_waiver FOREIGN KEY (waiver_id) REFERENCES data_waiver (id),
  CONSTRAINT data_waiver_step_account FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON data_waiver TO ${appUser};
GRANT SELECT, INSERT ON data_waiver_step TO ${appUser};

-- What must be answered for later; the server may only add to it.
CREATE TABLE audit_entry (
  id         BIGINT       NOT NULL AUTO_INCREMENT PRIMARY KEY,
  at         DATETIME(6)  NOT NULL,
  kind       VARCHAR(40)  NOT NULL,
  account_id BIGINT,
  who        VARCHAR(200) NOT NULL,
  subject    VARCHAR(200) NOT NULL,
  detail     VARCHAR(500) NOT NULL,
  KEY audit_by_time (at),
  KEY audit_by_subject (subject, id)
);
GRANT SELECT, INSERT ON audit_entry TO ${appUser};

-- Tries are counted before they are looked at, a row for each source.
DROP TABLE failed_attempt;
CREATE TABLE attempt_count (
  kind   VARCHAR(20)  NOT NULL,
  source VARCHAR(150) NOT NULL,
  since  DATETIME(6)  NOT NULL,
  tries  INT          NOT NULL,
  PRIMARY KEY (kind, source)
);
GRANT SELECT, INSERT, UPDATE, DELETE ON attempt_count TO ${appUser};
