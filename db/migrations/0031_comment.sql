-- What people say to one another about an offer, an option or a finding.
CREATE TABLE IF NOT EXISTS comment (
  store_id TINYINT UNSIGNED NOT NULL,
  id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind ENUM('offer', 'option', 'finding') NOT NULL,
  about VARCHAR(400) NOT NULL,
  said VARCHAR(2000) NOT NULL,
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  done_by VARCHAR(80) NULL,
  done_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id),
  KEY by_thing (store_id, kind, about, done_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
