-- Who has which page open; a page says so again and again, and is gone when it no longer does.
CREATE TABLE IF NOT EXISTS presence (
  store_id INT UNSIGNED NOT NULL,
  page CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- the stop, and what is being edited there; empty: nothing
  place VARCHAR(20) NOT NULL,
  thing VARCHAR(120) NOT NULL,
  seen_at DATETIME(3) NOT NULL,
  PRIMARY KEY (store_id, page),
  CONSTRAINT presence_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
