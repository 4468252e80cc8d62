-- Orders as shops export them: not every export says everything, so what may be missing may be NULL.
ALTER TABLE past_order
  DROP PRIMARY KEY,
  DROP COLUMN IF EXISTS id,
  DROP KEY IF EXISTS by_number,
  DROP KEY IF EXISTS by_value,
  ADD PRIMARY KEY (order_number),
  MODIFY COLUMN delivery_minor BIGINT NULL,
  MODIFY COLUMN items INT UNSIGNED NULL,
  MODIFY COLUMN weight_grams INT UNSIGNED NULL,
  MODIFY COLUMN returning_shopper BOOLEAN NULL,
  ADD COLUMN IF NOT EXISTS region VARCHAR(40) NOT NULL DEFAULT '' AFTER country,
  ADD COLUMN IF NOT EXISTS discount_minor BIGINT NULL AFTER goods_minor,
  ADD COLUMN IF NOT EXISTS tax_minor BIGINT NULL AFTER discount_minor,
  -- a salted hash: who it was cannot be told from it, only that it was the same
  ADD COLUMN IF NOT EXISTS customer_hash BINARY(16) NULL,
  ADD COLUMN IF NOT EXISTS code VARCHAR(80) NOT NULL DEFAULT '',
  -- what was bought: SKU, quantity and line end each, tab between; empty when not known
  ADD COLUMN IF NOT EXISTS goods_lines MEDIUMTEXT NOT NULL DEFAULT '',
  -- the import that brought the order first; NULL for the demo store's
  ADD COLUMN IF NOT EXISTS import_id INT UNSIGNED NULL,
  ADD KEY IF NOT EXISTS by_time (market_id, currency, placed_at);

-- The orders of a market and month packed into columns for the picture, made anew when version has moved on.
CREATE TABLE IF NOT EXISTS order_month (
  market_id VARCHAR(40) NOT NULL,
  currency CHAR(3) NOT NULL,
  month DATE NOT NULL,
  version BIGINT UNSIGNED NOT NULL,
  packed_version BIGINT UNSIGNED NULL,
  packed_zone VARCHAR(60) NOT NULL DEFAULT '',
  orders INT UNSIGNED NOT NULL DEFAULT 0,
  options LONGTEXT NOT NULL DEFAULT '[]' CHECK (JSON_VALID(options)),
  columns_packed LONGBLOB NULL,
  PRIMARY KEY (market_id, currency, month)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

INSERT IGNORE INTO order_month (market_id, currency, month, version)
  SELECT DISTINCT market_id, currency, DATE_FORMAT(placed_at, '%Y-%m-01'), 1 FROM past_order;

CREATE TABLE IF NOT EXISTS import_run (
  id INT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  kind ENUM('orders', 'products') NOT NULL,
  file_name VARCHAR(200) NOT NULL,
  file_bytes BIGINT UNSIGNED NOT NULL,
  mapping LONGTEXT NOT NULL CHECK (JSON_VALID(mapping)),
  heading LONGTEXT NOT NULL CHECK (JSON_VALID(heading)),
  -- reading a file into its own table; checked against what is there; being taken over, or taken back; and the ends
  state ENUM('reading', 'checked', 'applying', 'takingBack', 'done', 'cancelled', 'failed') NOT NULL,
  bytes_read BIGINT UNSIGNED NOT NULL DEFAULT 0,
  rows_read INT UNSIGNED NOT NULL DEFAULT 0,
  staged INT UNSIGNED NOT NULL DEFAULT 0,
  fresh INT UNSIGNED NOT NULL DEFAULT 0,
  changed INT UNSIGNED NOT NULL DEFAULT 0,
  same INT UNSIGNED NOT NULL DEFAULT 0,
  rejected INT UNSIGNED NOT NULL DEFAULT 0,
  rounded INT UNSIGNED NOT NULL DEFAULT 0,
  -- position of the last staged row that has been taken over, or back
  applied_through INT UNSIGNED NOT NULL DEFAULT 0,
  prepared BOOLEAN NOT NULL DEFAULT FALSE,
  problem VARCHAR(500) NOT NULL DEFAULT '',
  worker CHAR(36) NULL,
  alive_at DATETIME(3) NOT NULL,
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  KEY by_state (state, alive_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Rows that could not be taken. What stood in them is not kept: it may be personal.
CREATE TABLE IF NOT EXISTS import_rejection (
  import_id INT UNSIGNED NOT NULL,
  line INT UNSIGNED NOT NULL,
  position SMALLINT UNSIGNED NOT NULL,
  column_name VARCHAR(200) NOT NULL,
  reason VARCHAR(300) NOT NULL,
  PRIMARY KEY (import_id, line, position)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- How a file with this heading was read the last time.
CREATE TABLE IF NOT EXISTS import_mapping (
  kind ENUM('orders', 'products') NOT NULL,
  heading_hash BINARY(32) NOT NULL,
  mapping LONGTEXT NOT NULL CHECK (JSON_VALID(mapping)),
  used_at DATETIME(3) NOT NULL,
  PRIMARY KEY (kind, heading_hash)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- What is mixed into customer keys before they are hashed; made at the first import and never shown.
CREATE TABLE IF NOT EXISTS customer_salt (
  store_id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  salt BINARY(32) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
