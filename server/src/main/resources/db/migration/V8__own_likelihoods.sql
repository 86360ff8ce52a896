-- Likelihoods that a lead took over from the shop's own proven jobs; evidence, never changed. A later
-- one of the same sign and cause stands.
CREATE TABLE own_likelihood (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  sign_id     VARCHAR(60)   NOT NULL,
  cause_id    VARCHAR(60)   NOT NULL,
  link        VARCHAR(400)  NOT NULL,
  jobs        INT           NOT NULL,
  reason      VARCHAR(500)  NOT NULL,
  decided_by  BIGINT        NOT NULL,
  decided_at  DATETIME(6)   NOT NULL,
  CONSTRAINT own_likelihood_person FOREIGN KEY (decided_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON own_likelihood TO ${appUser};
