-- Where carriers are asked, each by the name that charges call it. One that is not named here is asked at the usual address.
CREATE TABLE IF NOT EXISTS carrier_service (
  store_id TINYINT UNSIGNED NOT NULL,
  name VARCHAR(40) NOT NULL,
  address VARCHAR(400) NOT NULL,
  -- sent along with every question; NULL: none is needed
  secret VARCHAR(400) NULL,
  timeout_ms SMALLINT UNSIGNED NOT NULL,
  -- for so long what it said last stands in where it is silent; 0: not at all
  keep_minutes SMALLINT UNSIGNED NOT NULL,
  PRIMARY KEY (store_id, name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
