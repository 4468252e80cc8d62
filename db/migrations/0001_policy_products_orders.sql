CREATE TABLE IF NOT EXISTS draft (
  store_id TINYINT UNSIGNED NOT NULL PRIMARY KEY,
  revision BIGINT UNSIGNED NOT NULL,
  document LONGTEXT NOT NULL CHECK (JSON_VALID(document)),
  updated_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Every accepted edit with its inverse: history, undo and audit in one.
CREATE TABLE IF NOT EXISTS draft_edit (
  store_id TINYINT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  kind ENUM('found', 'edit', 'undo', 'redo') NOT NULL,
  -- an edit is done, then perhaps undone, and dropped when something else is done instead of redoing it
  state ENUM('done', 'undone', 'dropped') NOT NULL,
  label VARCHAR(200) NOT NULL,
  patch LONGTEXT NOT NULL CHECK (JSON_VALID(patch)),
  inverse LONGTEXT NOT NULL CHECK (JSON_VALID(inverse)),
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  PRIMARY KEY (store_id, revision),
  KEY by_state (store_id, kind, state, revision)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

CREATE TABLE IF NOT EXISTS policy_release (
  store_id TINYINT UNSIGNED NOT NULL,
  number INT UNSIGNED NOT NULL,
  note VARCHAR(2000) NOT NULL,
  document LONGTEXT NOT NULL CHECK (JSON_VALID(document)),
  draft_revision BIGINT UNSIGNED NOT NULL,
  copy_of INT UNSIGNED NULL,
  released_by VARCHAR(80) NOT NULL,
  released_at DATETIME(3) NOT NULL,
  PRIMARY KEY (store_id, number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

CREATE TABLE IF NOT EXISTS product (
  id VARCHAR(40) NOT NULL PRIMARY KEY,
  sku VARCHAR(40) NOT NULL,
  name VARCHAR(200) NOT NULL COLLATE utf8mb4_unicode_520_ci,
  details LONGTEXT NOT NULL CHECK (JSON_VALID(details)),
  UNIQUE KEY by_sku (sku),
  KEY by_name (name)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

CREATE TABLE IF NOT EXISTS past_order (
  id BIGINT UNSIGNED NOT NULL AUTO_INCREMENT PRIMARY KEY,
  order_number VARCHAR(40) NOT NULL,
  placed_at DATETIME NOT NULL,
  market_id VARCHAR(40) NOT NULL,
  country CHAR(2) NOT NULL,
  postcode VARCHAR(16) NOT NULL,
  currency CHAR(3) NOT NULL,
  goods_minor BIGINT NOT NULL,
  delivery_minor BIGINT NOT NULL,
  option_id VARCHAR(40) NOT NULL,
  items INT UNSIGNED NOT NULL,
  weight_grams INT UNSIGNED NOT NULL,
  returning_shopper BOOLEAN NOT NULL,
  UNIQUE KEY by_number (order_number),
  KEY by_value (market_id, goods_minor)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
