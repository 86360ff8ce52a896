-- What else can be put in and out of play: a later row of a sort stands, and starts that were made
-- under an earlier one count no more.
CREATE TABLE thing_setup (
  id      BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id  BIGINT      NOT NULL,
  sort    VARCHAR(20) NOT NULL,
  things  TEXT        NOT NULL,
  set_by  BIGINT      NOT NULL,
  set_at  DATETIME(6) NOT NULL,
  KEY thing_setup_by_job (job_id, sort, id),
  CONSTRAINT thing_setup_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT thing_setup_person FOREIGN KEY (set_by) REFERENCES account (id)
);

-- One start with these in play, a bit for each; evidence, never changed.
CREATE TABLE thing_start (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  setup_id    BIGINT       NOT NULL,
  in_play     BIGINT       NOT NULL,
  outcome     VARCHAR(15)  NOT NULL,
  note        VARCHAR(300) NOT NULL,
  takes_back  BIGINT,
  made_by     BIGINT       NOT NULL,
  made_at     DATETIME(6)  NOT NULL,
  KEY thing_start_by_setup (setup_id, id),
  CONSTRAINT thing_start_setup FOREIGN KEY (setup_id) REFERENCES thing_setup (id),
  CONSTRAINT thing_start_person FOREIGN KEY (made_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON thing_setup TO ${appUser};
GRANT SELECT, INSERT ON thing_start TO ${appUser};
