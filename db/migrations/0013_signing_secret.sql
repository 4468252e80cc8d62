-- What quotes are signed with. A secret signs until it is retired, and is known until it is forgotten.
CREATE TABLE IF NOT EXISTS signing_secret (
  store_id TINYINT UNSIGNED NOT NULL,
  id CHAR(8) NOT NULL,
  secret BINARY(32) NOT NULL,
  made_at DATETIME(3) NOT NULL DEFAULT UTC_TIMESTAMP(3),
  retired_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- One to begin with; of processes that migrate at once one makes it.
INSERT IGNORE INTO signing_secret (store_id, id, secret)
SELECT 1, 'first', RANDOM_BYTES(32);
