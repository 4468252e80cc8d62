-- What one unit of the base currency was on a day, as it was given.
CREATE TABLE IF NOT EXISTS rate_day (
  store_id TINYINT UNSIGNED NOT NULL,
  currency CHAR(3) NOT NULL,
  day DATE NOT NULL,
  rate VARCHAR(26) NOT NULL,
  source ENUM('feed', 'import') NOT NULL,
  PRIMARY KEY (store_id, currency, day)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- How the simulated outside services behave.
CREATE TABLE IF NOT EXISTS stand_in (
  name VARCHAR(40) NOT NULL PRIMARY KEY,
  mode VARCHAR(40) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
