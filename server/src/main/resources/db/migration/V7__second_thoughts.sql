-- What the last ruling rests on, and what was found since that speaks against it; computed again from
-- the evidence whenever something comes in.
ALTER TABLE job
  ADD COLUMN ruled_cause  VARCHAR(60),
  ADD COLUMN ruled_part   VARCHAR(60),
  ADD COLUMN contradicted VARCHAR(400);

-- What the shop knows of a maker's machines, written by the shop itself. models: the beginning of the
-- models' names that it holds for; empty for every machine of the maker. A note is never changed: another
-- replaces it, or (with no text) takes it away.
CREATE TABLE maker_note (
  id          BIGINT AUTO_INCREMENT PRIMARY KEY,
  maker       VARCHAR(120)  NOT NULL,
  models      VARCHAR(200)  NOT NULL,
  topic       VARCHAR(30)   NOT NULL,
  text        VARCHAR(2000) NOT NULL,
  written_by  BIGINT        NOT NULL,
  written_at  DATETIME(6)   NOT NULL,
  KEY maker_note_by_maker (maker, models, topic, id),
  CONSTRAINT maker_note_person FOREIGN KEY (written_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON maker_note TO ${appUser};
