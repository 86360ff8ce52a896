-- Which modules and slots a machine has, as far as swapping goes; a later row stands, and starts that
-- were made under an earlier one count no more.
CREATE TABLE swap_setup (
  id        BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id    BIGINT       NOT NULL,
  modules   VARCHAR(300) NOT NULL,
  slots     VARCHAR(300) NOT NULL,
  set_by    BIGINT       NOT NULL,
  set_at    DATETIME(6)  NOT NULL,
  KEY swap_setup_by_job (job_id, id),
  CONSTRAINT swap_setup_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT swap_setup_person FOREIGN KEY (set_by) REFERENCES account (id)
);

-- One start with modules placed so; evidence, never changed. A row that takes another back names it.
CREATE TABLE swap_start (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  setup_id    BIGINT       NOT NULL,
  placement   VARCHAR(40)  NOT NULL,
  outcome     VARCHAR(15)  NOT NULL,
  note        VARCHAR(300) NOT NULL,
  takes_back  BIGINT,
  made_by     BIGINT       NOT NULL,
  made_at     DATETIME(6)  NOT NULL,
  KEY swap_start_by_setup (setup_id, id),
  CONSTRAINT swap_start_setup FOREIGN KEY (setup_id) REFERENCES swap_setup (id),
  CONSTRAINT swap_start_person FOREIGN KEY (made_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON swap_setup TO ${appUser};
GRANT SELECT, INSERT ON swap_start TO ${appUser};
