-- Who did what, when and from where; kept as long as the store says.
CREATE TABLE IF NOT EXISTS audit_entry (
  store_id INT UNSIGNED NOT NULL,
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT,
  made_at DATETIME(3) NOT NULL,
  kind VARCHAR(20) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- NULL: nobody is known to have done it
  person VARCHAR(80) NULL,
  address VARCHAR(45) NOT NULL,
  what VARCHAR(400) NOT NULL,
  PRIMARY KEY (id),
  KEY by_time (store_id, made_at),
  KEY by_person (store_id, person)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
