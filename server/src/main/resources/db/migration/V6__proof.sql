-- One try of the complaint after a ruling; evidence, never changed.
CREATE TABLE job_trial (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id      BIGINT        NOT NULL,
  ruling_id   BIGINT        NOT NULL,
  failed      BOOLEAN       NOT NULL,
  note        VARCHAR(400)  NOT NULL,
  tried_by    BIGINT        NOT NULL,
  tried_at    DATETIME(6)   NOT NULL,
  KEY job_trial_by_ruling (ruling_id, id),
  CONSTRAINT job_trial_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT job_trial_ruling FOREIGN KEY (ruling_id) REFERENCES ruling (id),
  CONSTRAINT job_trial_person FOREIGN KEY (tried_by) REFERENCES account (id)
);

-- The owner's signature that a machine is taken without proof, with the words that were shown.
CREATE TABLE proof_waiver (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  job_id      BIGINT        NOT NULL,
  ruling_id   BIGINT        NOT NULL,
  signer      VARCHAR(200)  NOT NULL,
  wording     VARCHAR(400)  NOT NULL,
  set_by      BIGINT        NOT NULL,
  set_at      DATETIME(6)   NOT NULL,
  KEY proof_waiver_by_ruling (ruling_id),
  CONSTRAINT proof_waiver_job FOREIGN KEY (job_id) REFERENCES job (id),
  CONSTRAINT proof_waiver_ruling FOREIGN KEY (ruling_id) REFERENCES ruling (id),
  CONSTRAINT proof_waiver_person FOREIGN KEY (set_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON job_trial TO ${appUser};
GRANT SELECT, INSERT ON proof_waiver TO ${appUser};
