-- Grows with every change of products, so that who holds some knows whether they still are as they were.
CREATE TABLE IF NOT EXISTS catalogue (
  store_id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  revision BIGINT UNSIGNED NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
