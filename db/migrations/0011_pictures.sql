-- Pictures of delivery options, each under the SHA-256 of its bytes: what a release names stays as it was.
CREATE TABLE IF NOT EXISTS picture (
  store_id TINYINT UNSIGNED NOT NULL,
  hash BINARY(32) NOT NULL,
  type ENUM('image/png', 'image/webp') NOT NULL,
  bytes MEDIUMBLOB NOT NULL,
  added_at DATETIME(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3),
  PRIMARY KEY (store_id, hash)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
