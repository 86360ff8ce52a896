-- What the shop changed of its know-how: each change of an entry is a version of it, with its reason;
-- evidence, never changed. What was taken over from proven jobs becomes one of them.
CREATE TABLE know_how_change (
  id         BIGINT AUTO_INCREMENT PRIMARY KEY,
  subject    VARCHAR(10)  NOT NULL,
  entry      VARCHAR(60)  NOT NULL,
  version    INT          NOT NULL,
  body       LONGTEXT     NOT NULL,
  reason     VARCHAR(600) NOT NULL,
  decided_by BIGINT       NOT NULL,
  decided_at DATETIME(6)  NOT NULL,
  UNIQUE KEY know_how_change_version (subject, entry, version),
  CONSTRAINT know_how_change_person FOREIGN KEY (decided_by) REFERENCES account (id)
);

INSERT INTO know_how_change (subject, entry, version, body, reason, decided_by, decided_at)
SELECT 'SIGN', sign_id, ROW_NUMBER() OVER (PARTITION BY sign_id ORDER BY id),
       JSON_OBJECT('what', 'LIKELIHOOD', 'id', sign_id,
                   'likelihood',
                   JSON_OBJECT('cause', cause_id, 'jobs', jobs,
                               'link', JSON_COMPACT(CONCAT('[', REPLACE(link, ' ', ','), ']')))),
       CONCAT(jobs, ' jobs of this shop: ', reason), decided_by, decided_at
FROM own_likelihood ORDER BY id;

DROP TABLE own_likelihood;

GRANT SELECT, INSERT ON know_how_change TO ${appUser};
