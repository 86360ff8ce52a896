-- What the shop has on its shelf, by sort; how many there are is the sum of what came and went.
CREATE TABLE stock (
  id       BIGINT AUTO_INCREMENT PRIMARY KEY,
  kind     VARCHAR(20)  NOT NULL,
  model    VARCHAR(200) NOT NULL,
  bus      VARCHAR(20),
  form     VARCHAR(40),
  bytes    BIGINT,
  place    VARCHAR(60)  NOT NULL,
  added_by BIGINT       NOT NULL,
  added_at DATETIME(6)  NOT NULL,
  CONSTRAINT stock_person FOREIGN KEY (added_by) REFERENCES account (id)
);

CREATE TABLE stock_move (
  id       BIGINT AUTO_INCREMENT PRIMARY KEY,
  stock_id BIGINT       NOT NULL,
  pieces   INT          NOT NULL,
  note     VARCHAR(200) NOT NULL,
  made_by  BIGINT       NOT NULL,
  made_at  DATETIME(6)  NOT NULL,
  KEY stock_move_by_stock (stock_id, id),
  CONSTRAINT stock_move_stock FOREIGN KEY (stock_id) REFERENCES stock (id),
  CONSTRAINT stock_move_person FOREIGN KEY (made_by) REFERENCES account (id)
);

GRANT SELECT, INSERT ON stock TO ${appUser};
GRANT SELECT, INSERT ON stock_move TO ${appUser};
