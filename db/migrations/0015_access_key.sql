-- Keys with which a shop makes its calls. Of a key only a hash is kept; it is shown once, when it is made.
CREATE TABLE IF NOT EXISTS access_key (
  store_id TINYINT UNSIGNED NOT NULL,
  id CHAR(12) NOT NULL,
  name VARCHAR(80) NOT NULL,
  kind ENUM('publishable', 'secret') NOT NULL,
  hash BINARY(32) NOT NULL,
  -- from which a publishable key may be used
  origins LONGTEXT NOT NULL CHECK (JSON_VALID(origins)),
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  -- from then on it is refused; NULL: it goes on
  ends_at DATETIME(3) NULL,
  -- the one that was made to take its place
  followed_by CHAR(12) NULL,
  used_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
