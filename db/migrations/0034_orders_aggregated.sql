-- For how many days orders are kept one by one; NULL: for good.
ALTER TABLE store_choice ADD COLUMN IF NOT EXISTS order_days SMALLINT UNSIGNED NULL;

-- From when on orders are kept one by one: older ones are taken no more, since nobody could tell whether they are counted already.
-- And up to when older ones have been aggregated.
CREATE TABLE IF NOT EXISTS orders_kept (
  store_id INT UNSIGNED NOT NULL PRIMARY KEY,
  kept_from DATE NOT NULL,
  aggregated_to DATE NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- What is left of the orders of a month that are not kept one by one, packed as months are, without what tells whose they were.
CREATE TABLE IF NOT EXISTS order_aggregate (
  market_id VARCHAR(40) NOT NULL,
  currency CHAR(3) NOT NULL,
  month DATE NOT NULL,
  first_placed DATETIME NOT NULL,
  last_placed DATETIME NOT NULL,
  options LONGTEXT NOT NULL CHECK (JSON_VALID(options)),
  arms LONGTEXT NOT NULL CHECK (JSON_VALID(arms)),
  columns_packed LONGBLOB NOT NULL,
  shipments_packed LONGBLOB NOT NULL,
  PRIMARY KEY (market_id, currency, month)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
