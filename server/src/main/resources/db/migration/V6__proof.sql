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

-- As before, and what was noted or signed when it was tried.
DELIMITER //
CREATE OR REPLACE PROCEDURE erase_customer(customer BIGINT, moment DATETIME(6))
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
  UPDATE job_move m JOIN job j ON j.id = m.job_id SET m.note = 'erased on request'
    WHERE j.customer_id = customer AND m.note <> '';
  UPDATE job_trial t JOIN job j ON j.id = t.job_id SET t.note = 'erased on request'
    WHERE j.customer_id = customer AND t.note <> '';
  UPDATE proof_waiver w JOIN job j ON j.id = w.job_id SET w.signer = 'erased'
    WHERE j.customer_id = customer;
  UPDATE notice n JOIN job j ON j.id = n.job_id SET n.words = 'erased' WHERE j.customer_id = customer;
  UPDATE job SET complaint = 'erased on request', version = version + 1 WHERE customer_id = customer;
  DELETE w FROM job_word w JOIN job j ON j.id = w.job_id WHERE j.customer_id = customer;
END //
DELIMITER ;

GRANT EXECUTE ON PROCEDURE erase_customer TO ${appUser};
