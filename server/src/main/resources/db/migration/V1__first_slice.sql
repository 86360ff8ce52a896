-- Times are UTC with microseconds. Names as in docs/architecture.md.

CREATE TABLE account (
  id            BIGINT AUTO_INCREMENT PRIMARY KEY,
  sign_in_name  VARCHAR(60)  NOT NULL UNIQUE,
  display_name  VARCHAR(120) NOT NULL,
  role          VARCHAR(20)  NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  created_at    DATETIME(6)  NOT NULL
);

CREATE TABLE failed_attempt (
  id     BIGINT AUTO_INCREMENT PRIMARY KEY,
  kind   VARCHAR(20)  NOT NULL,
  source VARCHAR(120) NOT NULL,
  at     DATETIME(6)  NOT NULL,
  KEY failed_attempt_by_source (kind, source, at)
);

CREATE TABLE customer (
  id           BIGINT AUTO_INCREMENT PRIMARY KEY,
  display_name VARCHAR(200) NOT NULL
);

CREATE TABLE machine (
  id     BIGINT AUTO_INCREMENT PRIMARY KEY,
  maker  VARCHAR(120) NOT NULL,
  model  VARCHAR(200) NOT NULL,
  serial VARCHAR(120)
);

CREATE TABLE part (
  id         BIGINT AUTO_INCREMENT PRIMARY KEY,
  kind       VARCHAR(20)  NOT NULL,
  model      VARCHAR(200),
  serial     VARCHAR(120),
  first_met  DATETIME(6)  NOT NULL,
  UNIQUE KEY part_by_identity (kind, model, serial)
);

-- Where a part sat and when; a move ends one row and begins another.
CREATE TABLE part_place (
  id         BIGINT AUTO_INCREMENT PRIMARY KEY,
  part_id    BIGINT       NOT NULL,
  machine_id BIGINT       NOT NULL,
  drive_key  VARCHAR(60)  NOT NULL,
  slot       VARCHAR(120) NOT NULL,
  since      DATETIME(6)  NOT NULL,
  until      DATETIME(6),
  KEY part_place_by_machine (machine_id, until),
  CONSTRAINT part_place_part FOREIGN KEY (part_id) REFERENCES part (id),
  CONSTRAINT part_place_machine FOREIGN KEY (machine_id) REFERENCES machine (id)
);

CREATE TABLE job (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  number      VARCHAR(20)  NOT NULL UNIQUE,
  machine_id  BIGINT       NOT NULL,
  customer_id BIGINT       NOT NULL,
  complaint   VARCHAR(2000) NOT NULL,
  family      VARCHAR(40)  NOT NULL,
  reach       VARCHAR(20),
  taken_in_at DATETIME(6)  NOT NULL,
  promised_at DATETIME(6),
  -- What the last weighing said, so that the floor need not weigh.
  headline    VARCHAR(1000) NOT NULL,
  tilt        VARCHAR(20)  NOT NULL,
  version     BIGINT       NOT NULL,
  CONSTRAINT job_machine FOREIGN KEY (machine_id) REFERENCES machine (id),
  CONSTRAINT job_customer FOREIGN KEY (customer_id) REFERENCES customer (id)
);

-- What the owner or a technician said; append only.
CREATE TABLE job_sign (
  id      BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id  BIGINT       NOT NULL,
  sign_id VARCHAR(60)  NOT NULL,
  level   VARCHAR(40)  NOT NULL,
  words   VARCHAR(500) NOT NULL,
  said_at DATETIME(6)  NOT NULL,
  KEY job_sign_by_job (job_id),
  CONSTRAINT job_sign_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE bay (
  id     BIGINT AUTO_INCREMENT PRIMARY KEY,
  number INT         NOT NULL UNIQUE,
  job_id BIGINT      UNIQUE,
  CONSTRAINT bay_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE probe (
  id               UUID         PRIMARY KEY,
  bay_id           BIGINT       NOT NULL,
  outbox_id        UUID         NOT NULL,
  token_hash       VARBINARY(32) NOT NULL UNIQUE,
  probe_version    VARCHAR(40)  NOT NULL,
  machine_note     TEXT         NOT NULL,
  enrolled_at      DATETIME(6)  NOT NULL,
  revoked_at       DATETIME(6),
  last_seen_at     DATETIME(6),
  online           BOOLEAN      NOT NULL,
  received_through BIGINT       NOT NULL,
  KEY probe_by_bay (bay_id, revoked_at),
  KEY probe_by_outbox (outbox_id, enrolled_at),
  CONSTRAINT probe_bay FOREIGN KEY (bay_id) REFERENCES bay (id)
);

CREATE TABLE enrolment_code (
  id         BIGINT AUTO_INCREMENT PRIMARY KEY,
  bay_id     BIGINT      NOT NULL,
  code_hash  VARBINARY(32) NOT NULL UNIQUE,
  created_by BIGINT      NOT NULL,
  expires_at DATETIME(6) NOT NULL,
  used_at    DATETIME(6),
  CONSTRAINT enrolment_code_bay FOREIGN KEY (bay_id) REFERENCES bay (id)
);

-- Every numbered event that ever came in; one that could not be applied keeps its body.
CREATE TABLE link_event (
  probe_id    UUID        NOT NULL,
  number      BIGINT      NOT NULL,
  kind        VARCHAR(40) NOT NULL,
  received_at DATETIME(6) NOT NULL,
  refused_why VARCHAR(1000),
  body        MEDIUMTEXT,
  PRIMARY KEY (probe_id, number),
  CONSTRAINT link_event_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);

CREATE TABLE read_request (
  id         UUID        PRIMARY KEY,
  job_id     BIGINT      NOT NULL,
  probe_id   UUID        NOT NULL,
  drive_key  VARCHAR(60) NOT NULL,
  asked_by   BIGINT      NOT NULL,
  asked_at   DATETIME(6) NOT NULL,
  ended_at   DATETIME(6),
  refused_why VARCHAR(1000),
  KEY read_request_open (probe_id, ended_at),
  KEY read_request_by_job (job_id, ended_at),
  CONSTRAINT read_request_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT read_request_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);

-- Raw evidence: stored once by content, never changed, never deleted.
CREATE TABLE raw_page (
  sha256 BINARY(32) PRIMARY KEY,
  bytes  MEDIUMBLOB NOT NULL
);

CREATE TABLE reading (
  id            UUID        PRIMARY KEY,
  part_id       BIGINT      NOT NULL,
  machine_id    BIGINT      NOT NULL,
  job_id        BIGINT,
  probe_id      UUID        NOT NULL,
  request_id    UUID        NOT NULL,
  drive_key     VARCHAR(60) NOT NULL,
  probe_version VARCHAR(40) NOT NULL,
  taken_at      DATETIME(6) NOT NULL,
  received_at   DATETIME(6) NOT NULL,
  KEY reading_by_part (part_id, taken_at),
  KEY reading_by_job (job_id, taken_at),
  CONSTRAINT reading_part FOREIGN KEY (part_id) REFERENCES part (id),
  CONSTRAINT reading_machine FOREIGN KEY (machine_id) REFERENCES machine (id),
  CONSTRAINT reading_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);

CREATE TABLE reading_page (
  reading_id UUID        NOT NULL,
  kind       VARCHAR(40) NOT NULL,
  outcome    VARCHAR(20) NOT NULL,
  sha256     BINARY(32),
  why        VARCHAR(1000),
  PRIMARY KEY (reading_id, kind),
  CONSTRAINT reading_page_reading FOREIGN KEY (reading_id) REFERENCES reading (id),
  CONSTRAINT reading_page_bytes FOREIGN KEY (sha256) REFERENCES raw_page (sha256)
);

-- Append only; the latest row of a part in a job is its stance.
CREATE TABLE data_stance (
  id      BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id  BIGINT       NOT NULL,
  stance  VARCHAR(20)  NOT NULL,
  signer  VARCHAR(200),
  wording VARCHAR(1000),
  set_by  BIGINT       NOT NULL,
  set_at  DATETIME(6)  NOT NULL,
  KEY data_stance_by_job (job_id, id),
  CONSTRAINT data_stance_job FOREIGN KEY (job_id) REFERENCES job (id)
);

CREATE TABLE ruling (
  id        BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id    BIGINT        NOT NULL,
  courses   VARCHAR(1000) NOT NULL,
  reason    VARCHAR(4000) NOT NULL,
  stance    VARCHAR(20)   NOT NULL,
  weighing  MEDIUMTEXT    NOT NULL,
  signed_by BIGINT        NOT NULL,
  signed_at DATETIME(6)   NOT NULL,
  KEY ruling_by_job (job_id, id),
  CONSTRAINT ruling_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT ruling_account FOREIGN KEY (signed_by) REFERENCES account (id)
);

CREATE TABLE trace_entry (
  id     BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id BIGINT        NOT NULL,
  at     DATETIME(6)   NOT NULL,
  kind   VARCHAR(20)   NOT NULL,
  title  VARCHAR(200)  NOT NULL,
  detail VARCHAR(1000) NOT NULL,
  who    VARCHAR(120)  NOT NULL,
  KEY trace_entry_by_job (job_id, id),
  CONSTRAINT trace_entry_job FOREIGN KEY (job_id) REFERENCES job (id)
);

-- Hints to browsers of every server process; pruned after some minutes.
CREATE TABLE live_event (
  id    BIGINT AUTO_INCREMENT PRIMARY KEY,
  at    DATETIME(6)  NOT NULL,
  topic VARCHAR(80)  NOT NULL,
  body  VARCHAR(2000) NOT NULL,
  KEY live_event_by_time (at)
);

-- Spring Session 4, its own schema for MariaDB.
CREATE TABLE SPRING_SESSION (
  PRIMARY_ID            CHAR(36) NOT NULL,
  SESSION_ID            CHAR(36) NOT NULL,
  CREATION_TIME         BIGINT   NOT NULL,
  LAST_ACCESS_TIME      BIGINT   NOT NULL,
  MAX_INACTIVE_INTERVAL INT      NOT NULL,
  EXPIRY_TIME           BIGINT   NOT NULL,
  PRINCIPAL_NAME        VARCHAR(100),
  CONSTRAINT SPRING_SESSION_PK PRIMARY KEY (PRIMARY_ID)
);
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);

CREATE TABLE SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36)     NOT NULL,
  ATTRIBUTE_NAME     VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES    BLOB         NOT NULL,
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_PK PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID)
    REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
