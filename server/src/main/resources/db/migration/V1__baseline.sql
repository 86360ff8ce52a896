-- All tables, by feature. Times are UTC with microseconds; names as in docs/architecture.md.
-- The server works as ${appUser}: evidence it may add to, and neither change nor delete.

-- People ---------------------------------------------------------------------

CREATE TABLE account (
  id            BIGINT NOT NULL AUTO_INCREMENT,
  sign_in_name  VARCHAR(60) NOT NULL,
  display_name  VARCHAR(120) NOT NULL,
  role          VARCHAR(20) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  created_at    DATETIME(6) NOT NULL,
  pin_hash      VARCHAR(200),
  disabled_at   DATETIME(6),
  -- Counted up when every session of the person must end.
  epoch         BIGINT NOT NULL DEFAULT 0,
  -- What they read; null until they chose one.
  language      VARCHAR(5),
  PRIMARY KEY (id),
  UNIQUE KEY sign_in_name (sign_in_name)
);
GRANT SELECT, INSERT, UPDATE ON account TO ${appUser};

CREATE TABLE invitation (
  id           BIGINT NOT NULL AUTO_INCREMENT,
  code_hash    VARBINARY(32) NOT NULL,
  display_name VARCHAR(120) NOT NULL,
  role         VARCHAR(20) NOT NULL,
  -- Not null: a new password for somebody who is there already.
  account_id   BIGINT,
  created_by   BIGINT NOT NULL,
  expires_at   DATETIME(6) NOT NULL,
  used_at      DATETIME(6),
  PRIMARY KEY (id),
  UNIQUE KEY code_hash (code_hash),
  KEY invitation_account (account_id),
  CONSTRAINT invitation_account FOREIGN KEY (account_id) REFERENCES account (id)
);
GRANT SELECT, INSERT, UPDATE ON invitation TO ${appUser};

CREATE TABLE attempt_count (
  kind   VARCHAR(20) NOT NULL,
  source VARCHAR(150) NOT NULL,
  since  DATETIME(6) NOT NULL,
  tries  INT NOT NULL,
  PRIMARY KEY (kind, source)
);
GRANT SELECT, INSERT, UPDATE, DELETE ON attempt_count TO ${appUser};

-- What must be answered for later; the server may only add to it.
CREATE TABLE audit_entry (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  at         DATETIME(6) NOT NULL,
  kind       VARCHAR(40) NOT NULL,
  account_id BIGINT,
  who        VARCHAR(200) NOT NULL,
  subject    VARCHAR(200) NOT NULL,
  detail     VARCHAR(500) NOT NULL,
  PRIMARY KEY (id),
  KEY audit_by_time (at),
  KEY audit_by_subject (subject, id)
);
GRANT SELECT, INSERT ON audit_entry TO ${appUser};

-- Customers, machines and parts ---------------------------------------------------------------------

CREATE TABLE customer (
  id           BIGINT NOT NULL AUTO_INCREMENT,
  display_name VARCHAR(200) NOT NULL,
  phone        VARCHAR(60),
  email        VARCHAR(200),
  erased_at    DATETIME(6),
  -- What their papers are written in; null until somebody chose.
  language     VARCHAR(5),
  PRIMARY KEY (id),
  KEY customer_by_name (display_name)
);
GRANT SELECT, INSERT, UPDATE ON customer TO ${appUser};

CREATE TABLE machine (
  id            BIGINT NOT NULL AUTO_INCREMENT,
  maker         VARCHAR(120) NOT NULL,
  model         VARCHAR(200) NOT NULL,
  serial        VARCHAR(120),
  kind          VARCHAR(20) NOT NULL DEFAULT 'MACHINE',
  serial_plain  VARCHAR(120),
  serial_folded VARCHAR(120),
  PRIMARY KEY (id),
  KEY machine_by_serial (serial_plain),
  KEY machine_by_folded (serial_folded)
);
GRANT SELECT, INSERT, UPDATE ON machine TO ${appUser};

CREATE TABLE part (
  id            BIGINT NOT NULL AUTO_INCREMENT,
  kind          VARCHAR(20) NOT NULL,
  model         VARCHAR(200),
  serial        VARCHAR(120),
  first_met     DATETIME(6) NOT NULL,
  serial_plain  VARCHAR(120),
  serial_folded VARCHAR(120),
  -- PERSON: model and serial were typed from a label; PROBE: the part said so itself.
  told_by       VARCHAR(10) NOT NULL DEFAULT 'PROBE',
  same_as       BIGINT,
  PRIMARY KEY (id),
  UNIQUE KEY part_by_identity (kind, model, serial),
  KEY part_by_serial (serial_plain),
  KEY part_by_folded (serial_folded),
  KEY part_same (same_as),
  CONSTRAINT part_same FOREIGN KEY (same_as) REFERENCES part (id)
);
GRANT SELECT, INSERT, UPDATE ON part TO ${appUser};

-- Where a part sat and when; a move ends one row and begins another.
CREATE TABLE part_place (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  part_id    BIGINT NOT NULL,
  machine_id BIGINT NOT NULL,
  part_key   VARCHAR(60) NOT NULL,
  slot       VARCHAR(120) NOT NULL,
  since      DATETIME(6) NOT NULL,
  until      DATETIME(6),
  PRIMARY KEY (id),
  KEY part_place_by_machine (machine_id, until),
  KEY part_place_part (part_id),
  CONSTRAINT part_place_machine FOREIGN KEY (machine_id) REFERENCES machine (id),
  CONSTRAINT part_place_part FOREIGN KEY (part_id) REFERENCES part (id)
);
GRANT SELECT, INSERT, UPDATE ON part_place TO ${appUser};

-- Who said that two records are one part; a mistake is undone, never deleted.
CREATE TABLE part_same (
  id        BIGINT NOT NULL AUTO_INCREMENT,
  from_id   BIGINT NOT NULL,
  into_id   BIGINT NOT NULL,
  by_id     BIGINT NOT NULL,
  at        DATETIME(6) NOT NULL,
  undone_by BIGINT,
  undone_at DATETIME(6),
  PRIMARY KEY (id),
  KEY part_same_from (from_id, undone_at)
);
GRANT SELECT, INSERT, UPDATE ON part_same TO ${appUser};

-- The newest numbers of each drive, for comparison with others: worked out from readings, and
-- worked out anew from them by need.
CREATE TABLE part_number (
  part_id   BIGINT NOT NULL,
  attribute VARCHAR(60) NOT NULL,
  model     VARCHAR(80) NOT NULL,
  sort      VARCHAR(20) NOT NULL,
  hours     DOUBLE NOT NULL,
  value     DOUBLE NOT NULL,
  taken_at  DATETIME(6) NOT NULL,
  PRIMARY KEY (part_id, attribute),
  KEY part_number_by_model (model, attribute, hours),
  KEY part_number_by_sort (sort, attribute, hours),
  CONSTRAINT part_number_part FOREIGN KEY (part_id) REFERENCES part (id)
);
GRANT SELECT, INSERT, UPDATE ON part_number TO ${appUser};

-- What the shop knows of a maker's machines, written by the shop itself. models: the beginning of
-- the models' names that it holds for; empty for every machine of the maker. A note is never
-- changed: another replaces it, or (with no text) takes it away.
CREATE TABLE maker_note (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  maker      VARCHAR(120) NOT NULL,
  models     VARCHAR(200) NOT NULL,
  topic      VARCHAR(30) NOT NULL,
  text       VARCHAR(2000) NOT NULL,
  written_by BIGINT NOT NULL,
  written_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY maker_note_by_maker (maker, models, topic, id),
  KEY maker_note_person (written_by),
  CONSTRAINT maker_note_person FOREIGN KEY (written_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON maker_note TO ${appUser};

-- Jobs ---------------------------------------------------------------------

CREATE TABLE counter (
  name VARCHAR(20) NOT NULL,
  next BIGINT NOT NULL,
  PRIMARY KEY (name)
);
GRANT SELECT, INSERT, UPDATE ON counter TO ${appUser};
INSERT INTO counter (name, next) VALUES ('job', 1);

CREATE TABLE job (
  id            BIGINT NOT NULL AUTO_INCREMENT,
  number        VARCHAR(20) NOT NULL,
  machine_id    BIGINT NOT NULL,
  customer_id   BIGINT NOT NULL,
  complaint     VARCHAR(2000) NOT NULL,
  boot_stage    VARCHAR(20),
  taken_in_at   DATETIME(6) NOT NULL,
  promised_at   DATETIME(6),
  -- What the last weighing said, so that the floor need not weigh.
  headline      VARCHAR(1000) NOT NULL,
  suspicion     VARCHAR(20) NOT NULL,
  version       BIGINT NOT NULL,
  error_text    VARCHAR(2000),
  holder_id     BIGINT,
  stage         VARCHAR(20) NOT NULL DEFAULT 'READ',
  stage_since   DATETIME(6) NOT NULL,
  data_status   VARCHAR(20) NOT NULL DEFAULT 'NOT_ASKED',
  -- Waiting for somebody outside: a part or an answer.
  waits_for     VARCHAR(20),
  waits_note    VARCHAR(200),
  waits_since   DATETIME(6),
  waits_until   DATETIME(6),
  ended_at      DATETIME(6),
  ended_how     VARCHAR(20),
  decided_cause VARCHAR(60),
  decided_part  VARCHAR(60),
  contradicted  VARCHAR(400),
  -- What came with an archive is told and binds nobody.
  imported_at   DATETIME(6),
  PRIMARY KEY (id),
  UNIQUE KEY number (number),
  KEY job_machine (machine_id),
  KEY job_customer (customer_id),
  KEY job_open (ended_at, id),
  KEY job_holder (holder_id),
  CONSTRAINT job_customer FOREIGN KEY (customer_id) REFERENCES customer (id),
  CONSTRAINT job_holder FOREIGN KEY (holder_id) REFERENCES account (id),
  CONSTRAINT job_machine FOREIGN KEY (machine_id) REFERENCES machine (id)
);
GRANT SELECT, INSERT, UPDATE ON job TO ${appUser};

CREATE TABLE job_family (
  job_id    BIGINT NOT NULL,
  family_id VARCHAR(40) NOT NULL,
  position  INT NOT NULL,
  PRIMARY KEY (job_id, position),
  CONSTRAINT job_family_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE, DELETE ON job_family TO ${appUser};

-- What search looks through: words by their beginnings, serials by every tail of theirs.
CREATE TABLE job_word (
  word   VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  job_id BIGINT NOT NULL,
  PRIMARY KEY (word, job_id),
  KEY job_word_by_job (job_id, word),
  CONSTRAINT job_word_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, DELETE ON job_word TO ${appUser};

CREATE TABLE job_serial (
  tail   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  job_id BIGINT NOT NULL,
  PRIMARY KEY (tail, job_id),
  KEY job_serial_by_job (job_id)
);
GRANT SELECT, INSERT, DELETE ON job_serial TO ${appUser};

-- What the owner or a technician said; append only.
CREATE TABLE job_finding (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  job_id     BIGINT NOT NULL,
  finding_id VARCHAR(60) NOT NULL,
  level      VARCHAR(40),
  words      VARCHAR(500) NOT NULL,
  said_at    DATETIME(6) NOT NULL,
  part       VARCHAR(60) NOT NULL DEFAULT 'machine',
  origin     VARCHAR(10) NOT NULL DEFAULT 'intake',
  PRIMARY KEY (id),
  KEY job_finding_by_job (job_id),
  CONSTRAINT job_finding_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON job_finding TO ${appUser};

-- Who else works on a job.
CREATE TABLE job_share (
  job_id     BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  PRIMARY KEY (job_id, account_id),
  KEY job_share_account (account_id),
  CONSTRAINT job_share_account FOREIGN KEY (account_id) REFERENCES account (id),
  CONSTRAINT job_share_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, DELETE ON job_share TO ${appUser};

-- One change at a time: the unique key lets one row of a job be open.
CREATE TABLE job_change (
  id        BIGINT NOT NULL AUTO_INCREMENT,
  job_id    BIGINT NOT NULL,
  what      VARCHAR(200) NOT NULL,
  remedy    VARCHAR(60),
  opened_by BIGINT NOT NULL,
  opened_at DATETIME(6) NOT NULL,
  result    VARCHAR(20),
  note      VARCHAR(1000),
  closed_by BIGINT,
  closed_at DATETIME(6),
  open_job  BIGINT AS (IF(closed_at IS NULL, job_id, NULL)) PERSISTENT,
  PRIMARY KEY (id),
  UNIQUE KEY job_change_one_open (open_job),
  KEY job_change_by_job (job_id, id),
  CONSTRAINT job_change_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON job_change TO ${appUser};

-- Time that a job spent waiting for somebody outside.
CREATE TABLE job_wait (
  id       BIGINT NOT NULL AUTO_INCREMENT,
  job_id   BIGINT NOT NULL,
  kind     VARCHAR(20) NOT NULL,
  since    DATETIME(6) NOT NULL,
  until_at DATETIME(6),
  PRIMARY KEY (id),
  KEY job_wait_by_job (job_id, id),
  CONSTRAINT job_wait_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON job_wait TO ${appUser};

-- How long past stages took [opening minutes], for likely ends.
CREATE TABLE stage_time (
  job_id   BIGINT NOT NULL,
  stage    VARCHAR(20) NOT NULL,
  minutes  DOUBLE NOT NULL,
  ended_at DATETIME(6) NOT NULL,
  PRIMARY KEY (job_id, stage),
  KEY stage_time_by_end (ended_at),
  CONSTRAINT stage_time_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON stage_time TO ${appUser};

CREATE TABLE journal_entry (
  id     BIGINT NOT NULL AUTO_INCREMENT,
  job_id BIGINT NOT NULL,
  at     DATETIME(6) NOT NULL,
  kind   VARCHAR(20) NOT NULL,
  title  VARCHAR(200) NOT NULL,
  detail VARCHAR(1000) NOT NULL,
  who    VARCHAR(120) NOT NULL,
  PRIMARY KEY (id),
  KEY journal_entry_by_job (job_id, id),
  CONSTRAINT journal_entry_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON journal_entry TO ${appUser};

CREATE TABLE notice (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  job_id     BIGINT NOT NULL,
  words      VARCHAR(300) NOT NULL,
  at         DATETIME(6) NOT NULL,
  seen_at    DATETIME(6),
  PRIMARY KEY (id),
  KEY notice_by_account (account_id, seen_at, id),
  KEY notice_job (job_id),
  CONSTRAINT notice_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON notice TO ${appUser};

CREATE TABLE photo (
  id       UUID NOT NULL,
  job_id   BIGINT NOT NULL,
  sha256   BINARY(32) NOT NULL,
  words    VARCHAR(200) NOT NULL,
  added_by BIGINT NOT NULL,
  added_at DATETIME(6) NOT NULL,
  gone_at  DATETIME(6),
  PRIMARY KEY (id),
  KEY photo_by_job (job_id, added_at),
  CONSTRAINT photo_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON photo TO ${appUser};

-- Taking in ---------------------------------------------------------------------

CREATE TABLE intake (
  id             UUID NOT NULL,
  job_id         BIGINT,
  answers        MEDIUMTEXT NOT NULL,
  -- As it was when last taken in or corrected.
  applied        MEDIUMTEXT,
  -- The version at which each answer was last changed, and by whom.
  field_versions TEXT NOT NULL,
  version        BIGINT NOT NULL,
  created_by     BIGINT NOT NULL,
  created_at     DATETIME(6) NOT NULL,
  changed_at     DATETIME(6) NOT NULL,
  dropped_at     DATETIME(6),
  PRIMARY KEY (id),
  UNIQUE KEY job_id (job_id),
  KEY intake_open (job_id, dropped_at, changed_at),
  CONSTRAINT intake_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON intake TO ${appUser};

-- The owner's password: sealed with a key that is not in the database; null once wiped.
CREATE TABLE sealed_secret (
  intake_id UUID NOT NULL,
  nonce     VARBINARY(12),
  sealed    VARBINARY(600),
  sealed_by BIGINT NOT NULL,
  sealed_at DATETIME(6) NOT NULL,
  wiped_at  DATETIME(6),
  PRIMARY KEY (intake_id),
  CONSTRAINT sealed_secret_intake FOREIGN KEY (intake_id) REFERENCES intake (id)
);
GRANT SELECT, INSERT, UPDATE ON sealed_secret TO ${appUser};

-- Bays and probes ---------------------------------------------------------------------

CREATE TABLE bay (
  id     BIGINT NOT NULL AUTO_INCREMENT,
  number INT NOT NULL,
  job_id BIGINT,
  PRIMARY KEY (id),
  UNIQUE KEY number (number),
  UNIQUE KEY job_id (job_id),
  CONSTRAINT bay_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT, UPDATE ON bay TO ${appUser};

CREATE TABLE probe (
  id               UUID NOT NULL,
  bay_id           BIGINT NOT NULL,
  outbox_id        UUID NOT NULL,
  token_hash       VARBINARY(32) NOT NULL,
  probe_version    VARCHAR(40) NOT NULL,
  machine_note     TEXT NOT NULL,
  enrolled_at      DATETIME(6) NOT NULL,
  revoked_at       DATETIME(6),
  last_seen_at     DATETIME(6),
  online           BOOLEAN NOT NULL,
  received_through BIGINT NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY token_hash (token_hash),
  KEY probe_by_bay (bay_id, revoked_at),
  KEY probe_by_outbox (outbox_id, enrolled_at),
  CONSTRAINT probe_bay FOREIGN KEY (bay_id) REFERENCES bay (id)
);
GRANT SELECT, INSERT, UPDATE ON probe TO ${appUser};

CREATE TABLE enrolment_code (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  bay_id     BIGINT NOT NULL,
  code_hash  VARBINARY(32) NOT NULL,
  created_by BIGINT NOT NULL,
  expires_at DATETIME(6) NOT NULL,
  used_at    DATETIME(6),
  PRIMARY KEY (id),
  UNIQUE KEY code_hash (code_hash),
  KEY enrolment_code_bay (bay_id),
  CONSTRAINT enrolment_code_bay FOREIGN KEY (bay_id) REFERENCES bay (id)
);
GRANT SELECT, INSERT, UPDATE ON enrolment_code TO ${appUser};

-- Every numbered event that ever came in; one that could not be applied keeps its body.
CREATE TABLE link_event (
  probe_id    UUID NOT NULL,
  number      BIGINT NOT NULL,
  kind        VARCHAR(40) NOT NULL,
  received_at DATETIME(6) NOT NULL,
  refused_why VARCHAR(1000),
  body        MEDIUMTEXT,
  PRIMARY KEY (probe_id, number),
  CONSTRAINT link_event_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);
GRANT SELECT, INSERT ON link_event TO ${appUser};

CREATE TABLE read_request (
  id          UUID NOT NULL,
  job_id      BIGINT NOT NULL,
  probe_id    UUID NOT NULL,
  part_key    VARCHAR(60) NOT NULL,
  asked_by    BIGINT NOT NULL,
  asked_at    DATETIME(6) NOT NULL,
  ended_at    DATETIME(6),
  refused_why VARCHAR(1000),
  PRIMARY KEY (id),
  KEY read_request_open (probe_id, ended_at),
  KEY read_request_by_job (job_id, ended_at),
  CONSTRAINT read_request_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT read_request_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);
GRANT SELECT, INSERT, UPDATE ON read_request TO ${appUser};

-- Evidence ---------------------------------------------------------------------

-- Raw evidence: stored once by content, never changed, never deleted.
CREATE TABLE raw_page (
  sha256 BINARY(32) NOT NULL,
  bytes  MEDIUMBLOB NOT NULL,
  PRIMARY KEY (sha256)
);
GRANT SELECT, INSERT ON raw_page TO ${appUser};

CREATE TABLE reading (
  id            UUID NOT NULL,
  part_id       BIGINT NOT NULL,
  machine_id    BIGINT NOT NULL,
  job_id        BIGINT,
  probe_id      UUID NOT NULL,
  request_id    UUID NOT NULL,
  part_key      VARCHAR(60) NOT NULL,
  probe_version VARCHAR(40) NOT NULL,
  taken_at      DATETIME(6) NOT NULL,
  received_at   DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY reading_by_part (part_id, taken_at),
  KEY reading_by_job (job_id, taken_at),
  KEY reading_machine (machine_id),
  KEY reading_probe (probe_id),
  CONSTRAINT reading_machine FOREIGN KEY (machine_id) REFERENCES machine (id),
  CONSTRAINT reading_part FOREIGN KEY (part_id) REFERENCES part (id),
  CONSTRAINT reading_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);
GRANT SELECT, INSERT ON reading TO ${appUser};

CREATE TABLE reading_page (
  reading_id UUID NOT NULL,
  kind       VARCHAR(40) NOT NULL,
  outcome    VARCHAR(20) NOT NULL,
  sha256     BINARY(32),
  why        VARCHAR(1000),
  PRIMARY KEY (reading_id, kind),
  KEY reading_page_bytes (sha256),
  CONSTRAINT reading_page_bytes FOREIGN KEY (sha256) REFERENCES raw_page (sha256),
  CONSTRAINT reading_page_reading FOREIGN KEY (reading_id) REFERENCES reading (id)
);
GRANT SELECT, INSERT ON reading_page TO ${appUser};

-- Where each run is. What came of it is evidence, in run_result.
CREATE TABLE run (
  id              UUID NOT NULL,
  job_id          BIGINT NOT NULL,
  part_id         BIGINT,
  probe_id        UUID NOT NULL,
  part_key        VARCHAR(60) NOT NULL,
  kind            VARCHAR(30) NOT NULL,
  gentle          BOOLEAN NOT NULL,
  state           VARCHAR(20) NOT NULL,
  asked_by        BIGINT NOT NULL,
  asked_at        DATETIME(6) NOT NULL,
  told_at         DATETIME(6),
  share           DOUBLE,
  seconds_left    DOUBLE,
  spread_s        DOUBLE,
  at_byte         BIGINT,
  -- What it found so far; when it is ended, that is in run_result and this is null.
  result          MEDIUMTEXT,
  -- Where a copy belongs and what is wanted of it; null for runs that copy nothing.
  copy_order      MEDIUMTEXT,
  -- The drive that somebody named who wants it written to, or its copies erased.
  named_drive     TEXT,
  from_elsewhere  BOOLEAN NOT NULL DEFAULT FALSE,
  -- A run whose drive or probe is away goes on by itself: until then it says what it waits for.
  waits           VARCHAR(400),
  -- When the copy that it made was found to be gone, and there again.
  copy_missing_at DATETIME(6),
  copy_found_at   DATETIME(6),
  PRIMARY KEY (id),
  KEY run_by_job (job_id, part_key, asked_at),
  KEY run_by_part (part_id, asked_at),
  KEY run_open (probe_id, state),
  KEY run_by_kind (kind, job_id, part_key),
  CONSTRAINT run_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT run_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);
GRANT SELECT, INSERT, UPDATE ON run TO ${appUser};

CREATE TABLE run_result (
  run_id       UUID NOT NULL,
  started_at   DATETIME(6) NOT NULL,
  ended_at     DATETIME(6) NOT NULL,
  received_at  DATETIME(6) NOT NULL,
  ended        VARCHAR(20) NOT NULL,
  why          VARCHAR(1000) NOT NULL,
  result       MEDIUMTEXT,
  -- The drive it was on, as that told it; null if it did not, or the run is on no drive.
  drive_model  VARCHAR(100),
  drive_serial VARCHAR(100),
  drive_bytes  BIGINT,
  PRIMARY KEY (run_id),
  KEY run_result_by_drive (drive_serial, drive_model),
  CONSTRAINT run_result_run FOREIGN KEY (run_id) REFERENCES run (id)
);
GRANT SELECT, INSERT ON run_result TO ${appUser};

-- Moves and isolation ---------------------------------------------------------------------

-- A move that a technician made by hand, with what was seen; evidence, never changed. One that is
-- taken back keeps its row and gets another that says so.
CREATE TABLE job_move (
  id      BIGINT NOT NULL AUTO_INCREMENT,
  job_id  BIGINT NOT NULL,
  move_id VARCHAR(60) NOT NULL,
  part    VARCHAR(60) NOT NULL,
  title   VARCHAR(200) NOT NULL,
  outcome VARCHAR(20) NOT NULL,
  words   VARCHAR(500) NOT NULL,
  note    VARCHAR(500) NOT NULL,
  made_by BIGINT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY job_move_by_job (job_id, id),
  KEY job_move_person (made_by),
  CONSTRAINT job_move_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT job_move_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON job_move TO ${appUser};

-- Moves of another shop's own that an archive names: what they were. None is offered or weighed
-- here until a lead takes it over.
CREATE TABLE job_own_move (
  id      BIGINT NOT NULL AUTO_INCREMENT,
  job_id  BIGINT NOT NULL,
  move_id VARCHAR(60) NOT NULL,
  body    MEDIUMTEXT NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY job_own_move_once (job_id, move_id),
  CONSTRAINT job_own_move_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON job_own_move TO ${appUser};

-- What can be put in and out of play, modules in their slots as all else: a later row of a sort
-- stands, and starts that were made under an earlier one count no more.
CREATE TABLE isolation_setup (
  id     BIGINT NOT NULL AUTO_INCREMENT,
  job_id BIGINT NOT NULL,
  sort   VARCHAR(20) NOT NULL,
  things TEXT NOT NULL,
  set_by BIGINT NOT NULL,
  set_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY isolation_setup_by_job (job_id, sort, id),
  KEY isolation_setup_person (set_by),
  CONSTRAINT isolation_setup_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT isolation_setup_person FOREIGN KEY (set_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON isolation_setup TO ${appUser};

-- One start, arranged so: of memory the module by slot, else the numbers of the things in play.
-- Evidence, never changed; a row that takes another back names it.
CREATE TABLE isolation_start (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  setup_id    BIGINT NOT NULL,
  arrangement VARCHAR(200) NOT NULL,
  outcome     VARCHAR(15) NOT NULL,
  note        VARCHAR(300) NOT NULL,
  takes_back  BIGINT,
  made_by     BIGINT NOT NULL,
  made_at     DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY isolation_start_by_setup (setup_id, id),
  KEY isolation_start_person (made_by),
  CONSTRAINT isolation_start_person FOREIGN KEY (made_by) REFERENCES account (id),
  CONSTRAINT isolation_start_setup FOREIGN KEY (setup_id) REFERENCES isolation_setup (id)
);
GRANT SELECT, INSERT ON isolation_start TO ${appUser};

-- The owner's data ---------------------------------------------------------------------

-- Append only; the latest row of a part in a job is its data status.
CREATE TABLE data_status_entry (
  id             BIGINT NOT NULL AUTO_INCREMENT,
  job_id         BIGINT NOT NULL,
  data_status    VARCHAR(20) NOT NULL,
  signer         VARCHAR(200),
  wording        VARCHAR(1000),
  set_by         BIGINT,
  set_at         DATETIME(6) NOT NULL,
  by_run         BOOLEAN NOT NULL DEFAULT FALSE,
  from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (id),
  KEY data_status_entry_by_job (job_id, id),
  CONSTRAINT data_status_entry_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON data_status_entry TO ${appUser};

-- What an owner signed about the data on one drive. Append only, as what became of it.
CREATE TABLE data_waiver (
  id           BIGINT NOT NULL AUTO_INCREMENT,
  job_id       BIGINT NOT NULL,
  drive_model  VARCHAR(100) NOT NULL,
  drive_serial VARCHAR(100) NOT NULL,
  drive_bytes  BIGINT NOT NULL,
  scope        VARCHAR(20) NOT NULL,
  holdings     MEDIUMTEXT NOT NULL,
  wording      TEXT NOT NULL,
  signer       VARCHAR(200) NOT NULL,
  signature    MEDIUMTEXT,
  recorded_by  BIGINT NOT NULL,
  recorded_at  DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY data_waiver_by_job (job_id, id),
  KEY data_waiver_by_drive (drive_serial, drive_model),
  KEY data_waiver_account (recorded_by),
  CONSTRAINT data_waiver_account FOREIGN KEY (recorded_by) REFERENCES account (id),
  CONSTRAINT data_waiver_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON data_waiver TO ${appUser};

CREATE TABLE data_waiver_step (
  id        BIGINT NOT NULL AUTO_INCREMENT,
  waiver_id BIGINT NOT NULL,
  step      VARCHAR(20) NOT NULL,
  made_by   BIGINT NOT NULL,
  made_at   DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY data_waiver_step_once (waiver_id, step),
  KEY data_waiver_step_account (made_by),
  CONSTRAINT data_waiver_step_account FOREIGN KEY (made_by) REFERENCES account (id),
  CONSTRAINT data_waiver_step_waiver FOREIGN KEY (waiver_id) REFERENCES data_waiver (id)
);
GRANT SELECT, INSERT ON data_waiver_step TO ${appUser};

-- Decisions and proof ---------------------------------------------------------------------

CREATE TABLE decision (
  id             BIGINT NOT NULL AUTO_INCREMENT,
  job_id         BIGINT NOT NULL,
  courses        VARCHAR(1000) NOT NULL,
  reason         VARCHAR(4000) NOT NULL,
  data_status    VARCHAR(20) NOT NULL,
  weighing       MEDIUMTEXT NOT NULL,
  plan           MEDIUMTEXT,
  signed_by      BIGINT NOT NULL,
  signed_at      DATETIME(6) NOT NULL,
  from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (id),
  KEY decision_by_job (job_id, id),
  KEY decision_account (signed_by),
  CONSTRAINT decision_account FOREIGN KEY (signed_by) REFERENCES account (id),
  CONSTRAINT decision_job FOREIGN KEY (job_id) REFERENCES job (id)
);
GRANT SELECT, INSERT ON decision TO ${appUser};

-- One try of the complaint after a decision; evidence, never changed.
CREATE TABLE job_trial (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  job_id      BIGINT NOT NULL,
  decision_id BIGINT NOT NULL,
  failed      BOOLEAN NOT NULL,
  note        VARCHAR(400) NOT NULL,
  tried_by    BIGINT NOT NULL,
  tried_at    DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY job_trial_by_decision (decision_id, id),
  KEY job_trial_job (job_id),
  KEY job_trial_person (tried_by),
  CONSTRAINT job_trial_decision FOREIGN KEY (decision_id) REFERENCES decision (id),
  CONSTRAINT job_trial_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT job_trial_person FOREIGN KEY (tried_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON job_trial TO ${appUser};

-- The owner's signature that a machine is taken without proof, with the words that were shown.
CREATE TABLE proof_waiver (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  job_id      BIGINT NOT NULL,
  decision_id BIGINT NOT NULL,
  signer      VARCHAR(200) NOT NULL,
  wording     VARCHAR(400) NOT NULL,
  set_by      BIGINT NOT NULL,
  set_at      DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY proof_waiver_by_decision (decision_id),
  KEY proof_waiver_job (job_id),
  KEY proof_waiver_person (set_by),
  CONSTRAINT proof_waiver_decision FOREIGN KEY (decision_id) REFERENCES decision (id),
  CONSTRAINT proof_waiver_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT proof_waiver_person FOREIGN KEY (set_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON proof_waiver TO ${appUser};

-- That a machine was taken back: by whom, and what was paid. Amounts are noted, not collected.
CREATE TABLE hand_back (
  id       BIGINT NOT NULL AUTO_INCREMENT,
  job_id   BIGINT NOT NULL,
  taken_by VARCHAR(200) NOT NULL,
  strokes  MEDIUMTEXT,
  wording  VARCHAR(400) NOT NULL,
  paid     DECIMAL(12,3),
  currency CHAR(3),
  paid_how VARCHAR(20) NOT NULL,
  note     VARCHAR(500) NOT NULL,
  made_by  BIGINT NOT NULL,
  made_at  DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY hand_back_of_job (job_id),
  KEY hand_back_person (made_by),
  CONSTRAINT hand_back_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT hand_back_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON hand_back TO ${appUser};

-- Stock and know-how ---------------------------------------------------------------------

-- What the shop has in stock, by sort; how many there are is the sum of what came and went.
CREATE TABLE stock (
  id       BIGINT NOT NULL AUTO_INCREMENT,
  kind     VARCHAR(20) NOT NULL,
  model    VARCHAR(200) NOT NULL,
  bus      VARCHAR(20),
  form     VARCHAR(40),
  bytes    BIGINT,
  place    VARCHAR(60) NOT NULL,
  added_by BIGINT NOT NULL,
  added_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY stock_person (added_by),
  CONSTRAINT stock_person FOREIGN KEY (added_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON stock TO ${appUser};

CREATE TABLE stock_move (
  id       BIGINT NOT NULL AUTO_INCREMENT,
  stock_id BIGINT NOT NULL,
  pieces   INT NOT NULL,
  note     VARCHAR(200) NOT NULL,
  made_by  BIGINT NOT NULL,
  made_at  DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY stock_move_by_stock (stock_id, id),
  KEY stock_move_person (made_by),
  CONSTRAINT stock_move_person FOREIGN KEY (made_by) REFERENCES account (id),
  CONSTRAINT stock_move_stock FOREIGN KEY (stock_id) REFERENCES stock (id)
);
GRANT SELECT, INSERT ON stock_move TO ${appUser};

-- How the part that a step of a signed plan needs came to it: a row for each thing that happened.
CREATE TABLE part_supply (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  job_id      BIGINT NOT NULL,
  remedy      VARCHAR(60) NOT NULL,
  happened    VARCHAR(20) NOT NULL,
  need        VARCHAR(300) NOT NULL,
  words       VARCHAR(200) NOT NULL,
  stock_id    BIGINT,
  supplier    VARCHAR(120),
  expected_on DATE,
  made_by     BIGINT NOT NULL,
  made_at     DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY part_supply_by_job (job_id, id),
  KEY part_supply_stock (stock_id),
  KEY part_supply_person (made_by),
  CONSTRAINT part_supply_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT part_supply_stock FOREIGN KEY (stock_id) REFERENCES stock (id),
  CONSTRAINT part_supply_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON part_supply TO ${appUser};

-- What became of a part that a step took out; the newest row of a step holds.
CREATE TABLE old_part (
  id      BIGINT NOT NULL AUTO_INCREMENT,
  job_id  BIGINT NOT NULL,
  remedy  VARCHAR(60) NOT NULL,
  part_id BIGINT,
  fate    VARCHAR(20) NOT NULL,
  note    VARCHAR(500) NOT NULL,
  made_by BIGINT NOT NULL,
  made_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY old_part_by_job (job_id, id),
  KEY old_part_part (part_id, fate),
  KEY old_part_person (made_by),
  CONSTRAINT old_part_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT old_part_part FOREIGN KEY (part_id) REFERENCES part (id),
  CONSTRAINT old_part_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON old_part TO ${appUser};

-- What the shop charges: each change is a row, the newest is in force.
CREATE TABLE tariff (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  currency    CHAR(3) NOT NULL,
  per_hour    DECIMAL(12,3) NOT NULL,
  per_hour_of VARCHAR(1000) NOT NULL,
  minimum     DECIMAL(12,3) NOT NULL,
  tax_percent DECIMAL(5,2) NOT NULL,
  tax_shown   BOOLEAN NOT NULL,
  set_by      BIGINT NOT NULL,
  set_at      DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY tariff_person (set_by),
  CONSTRAINT tariff_person FOREIGN KEY (set_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON tariff TO ${appUser};

-- What a part costs its owner: the newest row of a sort and its words is in force; no amount takes it off the list.
CREATE TABLE part_price (
  id     BIGINT NOT NULL AUTO_INCREMENT,
  part   VARCHAR(40) NOT NULL,
  words  VARCHAR(200) NOT NULL,
  amount DECIMAL(12,3),
  set_by BIGINT NOT NULL,
  set_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY part_price_by_part (part, words, id),
  KEY part_price_person (set_by),
  CONSTRAINT part_price_person FOREIGN KEY (set_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON part_price TO ${appUser};

-- What an owner was told a plan costs; never changed, only followed by another.
CREATE TABLE estimate (
  id          BIGINT NOT NULL AUTO_INCREMENT,
  job_id      BIGINT NOT NULL,
  plan_id     VARCHAR(300) NOT NULL,
  words       VARCHAR(1000) NOT NULL,
  plan_lines  MEDIUMTEXT NOT NULL,
  currency    CHAR(3) NOT NULL,
  certain     DECIMAL(12,3) NOT NULL,
  at_most     DECIMAL(12,3) NOT NULL,
  tax_percent DECIMAL(5,2) NOT NULL,
  tax_shown   BOOLEAN NOT NULL,
  ready_early DATETIME(6) NOT NULL,
  ready_late  DATETIME(6) NOT NULL,
  made_by     BIGINT NOT NULL,
  made_at     DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  KEY estimate_by_job (job_id, id),
  KEY estimate_person (made_by),
  CONSTRAINT estimate_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT estimate_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON estimate TO ${appUser};

-- What the owner said to an estimate; the newest of a job holds.
CREATE TABLE approval (
  id             BIGINT NOT NULL AUTO_INCREMENT,
  job_id         BIGINT NOT NULL,
  estimate_id    BIGINT NOT NULL,
  how            VARCHAR(10) NOT NULL,
  signer         VARCHAR(200) NOT NULL,
  up_to          DECIMAL(12,3),
  note           VARCHAR(1000) NOT NULL,
  made_by        BIGINT NOT NULL,
  made_at        DATETIME(6) NOT NULL,
  from_elsewhere BOOLEAN NOT NULL DEFAULT FALSE,
  PRIMARY KEY (id),
  KEY approval_by_job (job_id, id),
  KEY approval_estimate (estimate_id),
  KEY approval_person (made_by),
  CONSTRAINT approval_estimate FOREIGN KEY (estimate_id) REFERENCES estimate (id),
  CONSTRAINT approval_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT approval_person FOREIGN KEY (made_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON approval TO ${appUser};

-- What the shop changed of its know-how: each change of an entry is a version of it, with its
-- reason; evidence, never changed. What was taken over from proven jobs becomes one of them.
CREATE TABLE know_how_change (
  id         BIGINT NOT NULL AUTO_INCREMENT,
  subject    VARCHAR(10) NOT NULL,
  entry      VARCHAR(60) NOT NULL,
  version    INT NOT NULL,
  body       LONGTEXT NOT NULL,
  reason     VARCHAR(600) NOT NULL,
  decided_by BIGINT NOT NULL,
  decided_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  UNIQUE KEY know_how_change_version (subject, entry, version),
  KEY know_how_change_person (decided_by),
  CONSTRAINT know_how_change_person FOREIGN KEY (decided_by) REFERENCES account (id)
);
GRANT SELECT, INSERT ON know_how_change TO ${appUser};

-- Sessions and live views ---------------------------------------------------------------------

-- Hints to browsers of every server process; pruned after some minutes.
CREATE TABLE live_event (
  id    BIGINT NOT NULL AUTO_INCREMENT,
  at    DATETIME(6) NOT NULL,
  topic VARCHAR(80) NOT NULL,
  body  VARCHAR(2000) NOT NULL,
  PRIMARY KEY (id),
  KEY live_event_by_time (at)
);
GRANT SELECT, INSERT, DELETE ON live_event TO ${appUser};

-- Spring Session 4, its own schema for MariaDB.
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID            CHAR(36) NOT NULL,
  SESSION_ID            CHAR(36) NOT NULL,
  CREATION_TIME         BIGINT NOT NULL,
  LAST_ACCESS_TIME      BIGINT NOT NULL,
  MAX_INACTIVE_INTERVAL INT NOT NULL,
  EXPIRY_TIME           BIGINT NOT NULL,
  PRINCIPAL_NAME        VARCHAR(100),
  PRIMARY KEY (PRIMARY_ID),
  UNIQUE KEY SPRING_SESSION_IX1 (SESSION_ID),
  KEY SPRING_SESSION_IX2 (EXPIRY_TIME),
  KEY SPRING_SESSION_IX3 (PRINCIPAL_NAME)
);
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION TO ${appUser};

CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) NOT NULL,
  ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES    BLOB NOT NULL,
  PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID)
    REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
GRANT SELECT, INSERT, UPDATE, DELETE ON SPRING_SESSION_ATTRIBUTES TO ${appUser};
