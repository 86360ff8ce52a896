-- People: a short PIN, leaving, sessions that end everywhere, invitations.
ALTER TABLE account
  ADD pin_hash VARCHAR(200),
  ADD disabled_at DATETIME(6),
  -- Counted up when every session of the person must end.
  ADD epoch BIGINT NOT NULL DEFAULT 0;

CREATE TABLE invitation (
  id           BIGINT AUTO_INCREMENT PRIMARY KEY,
  code_hash    VARBINARY(32) NOT NULL UNIQUE,
  display_name VARCHAR(120)  NOT NULL,
  role         VARCHAR(20)   NOT NULL,
  -- Not null: a new password for somebody who is there already.
  account_id   BIGINT,
  created_by   BIGINT        NOT NULL,
  expires_at   DATETIME(6)   NOT NULL,
  used_at      DATETIME(6),
  CONSTRAINT invitation_account FOREIGN KEY (account_id) REFERENCES account (id)
);

ALTER TABLE customer
  ADD phone VARCHAR(60),
  ADD email VARCHAR(200),
  ADD erased_at DATETIME(6),
  ADD KEY customer_by_name (display_name);

-- Serials as they are compared: capital letters and digits; and with look-alikes made equal.
ALTER TABLE machine
  ADD kind VARCHAR(20) NOT NULL DEFAULT 'MACHINE',
  ADD serial_plain VARCHAR(120),
  ADD serial_folded VARCHAR(120),
  ADD KEY machine_by_serial (serial_plain),
  ADD KEY machine_by_folded (serial_folded);
ALTER TABLE part
  ADD serial_plain VARCHAR(120),
  ADD serial_folded VARCHAR(120),
  -- PERSON: model and serial were typed from a label; PROBE: the part said so itself.
  ADD told_by VARCHAR(10) NOT NULL DEFAULT 'PROBE',
  ADD same_as BIGINT,
  ADD KEY part_by_serial (serial_plain),
  ADD KEY part_by_folded (serial_folded),
  ADD CONSTRAINT part_same FOREIGN KEY (same_as) REFERENCES part (id);
UPDATE machine SET serial_plain = REGEXP_REPLACE(UPPER(serial), '[^A-Z0-9]', '');
UPDATE part SET serial_plain = REGEXP_REPLACE(UPPER(serial), '[^A-Z0-9]', '');
UPDATE machine SET serial_folded = REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(
  serial_plain, 'O', '0'), 'Q', '0'), 'D', '0'), 'I', '1'), 'L', '1'), 'Z', '2'), 'S', '5'), 'B', '8');
UPDATE part SET serial_folded = REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(REPLACE(
  serial_plain, 'O', '0'), 'Q', '0'), 'D', '0'), 'I', '1'), 'L', '1'), 'Z', '2'), 'S', '5'), 'B', '8');

-- Who said that two records are one part; a mistake is undone, never deleted.
CREATE TABLE part_same (
  id        BIGINT AUTO_INCREMENT PRIMARY KEY,
  from_id   BIGINT       NOT NULL,
  into_id   BIGINT       NOT NULL,
  by_id     BIGINT       NOT NULL,
  at        DATETIME(6)  NOT NULL,
  undone_by BIGINT,
  undone_at DATETIME(6),
  KEY part_same_from (from_id, undone_at)
);

CREATE TABLE job_family (
  job_id    BIGINT      NOT NULL,
  family_id VARCHAR(40) NOT NULL,
  position  INT         NOT NULL,
  PRIMARY KEY (job_id, position),
  CONSTRAINT job_family_job FOREIGN KEY (job_id) REFERENCES job (id)
);
INSERT INTO job_family SELECT id, family, 0 FROM job;

ALTER TABLE job
  DROP family,
  ADD error_text VARCHAR(2000),
  ADD holder_id BIGINT,
  ADD stage VARCHAR(20) NOT NULL DEFAULT 'READ',
  ADD stage_since DATETIME(6),
  ADD stance VARCHAR(20) NOT NULL DEFAULT 'UNKNOWN',
  -- Waiting for somebody outside: a part or an answer.
  ADD waits_for VARCHAR(20),
  ADD waits_note VARCHAR(200),
  ADD waits_since DATETIME(6),
  ADD waits_until DATETIME(6),
  ADD ended_at DATETIME(6),
  ADD ended_how VARCHAR(20),
  ADD KEY job_open (ended_at, id),
  ADD CONSTRAINT job_holder FOREIGN KEY (holder_id) REFERENCES account (id);
UPDATE job SET stage_since = taken_in_at,
  stance = COALESCE((SELECT s.stance FROM data_stance s WHERE s.job_id = job.id ORDER BY s.id DESC LIMIT 1), 'UNKNOWN');
ALTER TABLE job MODIFY stage_since DATETIME(6) NOT NULL;

-- A level that is null takes back what was said before.
ALTER TABLE job_sign MODIFY level VARCHAR(40);

-- How long past stages took [opening minutes], for likely ends.
CREATE TABLE stage_time (
  job_id   BIGINT      NOT NULL,
  stage    VARCHAR(20) NOT NULL,
  minutes  DOUBLE      NOT NULL,
  ended_at DATETIME(6) NOT NULL,
  PRIMARY KEY (job_id, stage),
  KEY stage_time_by_end (ended_at),
  CONSTRAINT stage_time_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- One change at a time: the unique key lets one row of a job be open.
CREATE TABLE job_change (
  id        BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id    BIGINT       NOT NULL,
  what      VARCHAR(200) NOT NULL,
  opened_by BIGINT       NOT NULL,
  opened_at DATETIME(6)  NOT NULL,
  result    VARCHAR(20),
  note      VARCHAR(1000),
  closed_by BIGINT,
  closed_at DATETIME(6),
  open_job  BIGINT AS (IF(closed_at IS NULL, job_id, NULL)) PERSISTENT,
  UNIQUE KEY job_change_one_open (open_job),
  KEY job_change_by_job (job_id, id),
  CONSTRAINT job_change_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- Time that a job spent waiting for somebody outside.
CREATE TABLE job_wait (
  id       BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id   BIGINT       NOT NULL,
  kind     VARCHAR(20)  NOT NULL,
  since    DATETIME(6)  NOT NULL,
  until_at DATETIME(6),
  KEY job_wait_by_job (job_id, id),
  CONSTRAINT job_wait_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- Who else works on a job.
CREATE TABLE job_share (
  job_id     BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  PRIMARY KEY (job_id, account_id),
  CONSTRAINT job_share_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT job_share_account FOREIGN KEY (account_id) REFERENCES account (id)
);

CREATE TABLE notice (
  id         BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT       NOT NULL,
  job_id     BIGINT       NOT NULL,
  words      VARCHAR(300) NOT NULL,
  at         DATETIME(6)  NOT NULL,
  seen_at    DATETIME(6),
  KEY notice_by_account (account_id, seen_at, id),
  CONSTRAINT notice_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE intake (
  id             UUID        PRIMARY KEY,
  job_id         BIGINT      UNIQUE,
  answers        MEDIUMTEXT  NOT NULL,
  -- As it was when last taken in or corrected.
  applied        MEDIUMTEXT,
  -- The version at which each answer was last changed, and by whom.
  field_versions TEXT        NOT NULL,
  version        BIGINT      NOT NULL,
  created_by     BIGINT      NOT NULL,
  created_at     DATETIME(6) NOT NULL,
  changed_at     DATETIME(6) NOT NULL,
  dropped_at     DATETIME(6),
  KEY intake_open (job_id, dropped_at, changed_at),
  CONSTRAINT intake_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- The owner's password: sealed with a key that is not in the database; null once wiped.
CREATE TABLE sealed_secret (
  intake_id UUID           PRIMARY KEY,
  nonce     VARBINARY(12),
  sealed    VARBINARY(600),
  sealed_by BIGINT         NOT NULL,
  sealed_at DATETIME(6)    NOT NULL,
  wiped_at  DATETIME(6),
  CONSTRAINT sealed_secret_intake FOREIGN KEY (intake_id) REFERENCES intake (id)
);

CREATE TABLE photo (
  id       UUID         PRIMARY KEY,
  job_id   BIGINT       NOT NULL,
  sha256   BINARY(32)   NOT NULL,
  words    VARCHAR(200) NOT NULL,
  added_by BIGINT       NOT NULL,
  added_at DATETIME(6)  NOT NULL,
  gone_at  DATETIME(6),
  KEY photo_by_job (job_id, added_at),
  CONSTRAINT photo_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- What search looks through: words by their beginnings, serials by every tail of theirs.
CREATE TABLE job_word (
  word   VARCHAR(40) CHARACTER SET utf8mb4 COLLATE utf8mb4_bin NOT NULL,
  job_id BIGINT      NOT NULL,
  PRIMARY KEY (word, job_id),
  KEY job_word_by_job (job_id, word),
  CONSTRAINT job_word_job FOREIGN KEY (job_id) REFERENCES job (id)
);
CREATE TABLE job_serial (
  tail   VARCHAR(40) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  job_id BIGINT      NOT NULL,
  PRIMARY KEY (tail, job_id),
  KEY job_serial_by_job (job_id)
);

CREATE TABLE counter (
  name VARCHAR(20) PRIMARY KEY,
  next BIGINT NOT NULL
);
INSERT INTO counter SELECT 'job', COALESCE(MAX(CAST(SUBSTR(number, 3) AS INTEGER)), 0) + 1 FROM job;

-- Erases what belongs to a person and leaves what belongs to the machines. The server's own user
-- may not touch evidence; this runs with the rights of the owner of the tables.
DELIMITER //
CREATE PROCEDURE erase_customer(customer BIGINT, moment DATETIME(6))
SQL SECURITY DEFINER MODIFIES SQL DATA
BEGIN
  UPDATE customer SET display_name = CONCAT('Erased customer ', id), phone = NULL, email = NULL,
    erased_at = moment WHERE id = customer;
  UPDATE sealed_secret s JOIN intake i ON i.id = s.intake_id JOIN job j ON j.id = i.job_id
    SET s.sealed = NULL, s.nonce = NULL, s.wiped_at = COALESCE(s.wiped_at, moment) WHERE j.customer_id = customer;
  UPDATE intake i JOIN job j ON j.id = i.job_id
    SET i.answers = '{}', i.applied = '{}', i.field_versions = '{}' WHERE j.customer_id = customer;
  UPDATE intake SET answers = '{}', field_versions = '{}', dropped_at = COALESCE(dropped_at, moment)
    WHERE job_id IS NULL AND JSON_VALUE(answers, '$.customerId') = customer;
  UPDATE data_stance s JOIN job j ON j.id = s.job_id SET s.signer = 'erased'
    WHERE j.customer_id = customer AND s.signer IS NOT NULL;
  UPDATE trace_entry t JOIN job j ON j.id = t.job_id SET t.detail = 'erased on request'
    WHERE j.customer_id = customer AND t.kind NOT IN ('READING', 'PROBE', 'RULING', 'PART');
  UPDATE photo p JOIN job j ON j.id = p.job_id SET p.words = '', p.gone_at = COALESCE(p.gone_at, moment)
    WHERE j.customer_id = customer;
  UPDATE job_change c JOIN job j ON j.id = c.job_id SET c.note = NULL WHERE j.customer_id = customer;
  UPDATE notice n JOIN job j ON j.id = n.job_id SET n.words = 'erased' WHERE j.customer_id = customer;
  UPDATE job SET complaint = 'erased on request', version = version + 1 WHERE customer_id = customer;
  DELETE w FROM job_word w JOIN job j ON j.id = w.job_id WHERE j.customer_id = customer;
END //
DELIMITER ;

GRANT EXECUTE ON PROCEDURE erase_customer TO ${appUser};
GRANT SELECT, INSERT ON stage_time TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON invitation TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON part_same TO ${appUser};
GRANT SELECT, INSERT, UPDATE, DELETE ON job_family TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON job_change TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON job_wait TO ${appUser};
GRANT SELECT, INSERT, DELETE ON job_share TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON notice TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON intake TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON sealed_secret TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON photo TO ${appUser};
GRANT SELECT, INSERT, DELETE ON job_word TO ${appUser};
GRANT SELECT, INSERT, DELETE ON job_serial TO ${appUser};
GRANT SELECT, INSERT, UPDATE ON counter TO ${appUser};
