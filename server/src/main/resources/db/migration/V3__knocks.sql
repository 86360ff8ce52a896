-- Machines that ask to be let in without a code. A row lives as long as its machine asks again.
CREATE TABLE knock (
  id            UUID NOT NULL,
  commitment    VARBINARY(32) NOT NULL,
  server_nonce  VARBINARY(32) NOT NULL,
  -- Null until the machine has opened its commitment; only then people see it.
  opening       VARBINARY(32),
  digits        VARCHAR(6),
  probe_version VARCHAR(40) NOT NULL,
  outbox_id     UUID NOT NULL,
  machine_note  TEXT NOT NULL,
  source        VARCHAR(60) NOT NULL,
  knocked_at    DATETIME(6) NOT NULL,
  heard_at      DATETIME(6) NOT NULL,
  tries         INT NOT NULL,
  stage         VARCHAR(20) NOT NULL,
  bay_id        BIGINT,
  probe_id      UUID,
  PRIMARY KEY (id),
  KEY knock_by_source (source),
  CONSTRAINT knock_bay FOREIGN KEY (bay_id) REFERENCES bay (id),
  CONSTRAINT knock_probe FOREIGN KEY (probe_id) REFERENCES probe (id)
);
GRANT SELECT, INSERT, UPDATE, DELETE ON knock TO ${appUser};
