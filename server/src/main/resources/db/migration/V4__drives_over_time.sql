-- Runs on drives: where each one is. What came of it is evidence, in run_result.
CREATE TABLE drive_run (
  id           UUID         PRIMARY KEY,
  job_id       BIGINT       NOT NULL,
  part_id      BIGINT,
  probe_id     UUID         NOT NULL,
  drive_key    VARCHAR(60)  NOT NULL,
  kind         VARCHAR(30)  NOT NULL,
  gentle       BOOLEAN      NOT NULL,
  state        VARCHAR(20)  NOT NULL,
  asked_by     BIGINT       NOT NULL,
  asked_at     DATETIME(6)  NOT NULL,
  told_at      DATETIME(6),
  share        DOUBLE,
  seconds_left DOUBLE,
  spread_s     DOUBLE,
  at_byte      BIGINT,
  surface      MEDIUMTEXT,
  KEY drive_run_by_job (job_id, drive_key, asked_at),
  KEY drive_run_by_part (part_id, asked_at),
  KEY drive_run_open (probe_id, state),
  CONSTRAINT drive_run_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT drive_run_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);

CREATE TABLE run_result (
  run_id      UUID          PRIMARY KEY,
  started_at  DATETIME(6)   NOT NULL,
  ended_at    DATETIME(6)   NOT NULL,
  received_at DATETIME(6)   NOT NULL,
  ended       VARCHAR(20)   NOT NULL,
  why         VARCHAR(1000) NOT NULL,
  surface     MEDIUMTEXT,
  self_test   TEXT,
  CONSTRAINT run_result_run FOREIGN KEY (run_id) REFERENCES drive_run (id)
);

-- The newest numbers of each drive, for comparison with others: worked out from readings, and
-- worked out anew from them by need.
CREATE TABLE part_number (
  part_id   BIGINT      NOT NULL,
  attribute VARCHAR(60) NOT NULL,
  model     VARCHAR(80) NOT NULL,
  sort      VARCHAR(20) NOT NULL,
  hours     DOUBLE      NOT NULL,
  value     DOUBLE      NOT NULL,
  taken_at  DATETIME(6) NOT NULL,
  PRIMARY KEY (part_id, attribute),
  KEY part_number_by_model (model, attribute, hours),
  KEY part_number_by_sort (sort, attribute, hours),
  CONSTRAINT part_number_part FOREIGN KEY (part_id) REFERENCES part (id)
);

GRANT SELECT, INSERT, UPDATE ON drive_run TO ${appUser};
GRANT SELECT, INSERT ON run_result TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON part_number TO ${appUser};
