-- Orders as the shop reports them, with what the rules say of them. They stand among the past orders as well.
CREATE TABLE IF NOT EXISTS placed_order (
  order_number VARCHAR(40) NOT NULL PRIMARY KEY,
  -- of what was reported, so that the same is told from something else under the same number
  report_hash BINARY(16) NOT NULL,
  placed_at DATETIME(3) NOT NULL,
  reported_at DATETIME(3) NOT NULL,
  cancelled_at DATETIME(3) NULL,
  market_id VARCHAR(40) NOT NULL,
  currency CHAR(3) NOT NULL,
  option_id VARCHAR(40) NOT NULL,
  delivery_minor BIGINT NOT NULL,
  -- what the rules charge for it; NULL where they do not say
  expected_minor BIGINT NULL,
  verdict ENUM('agrees', 'more', 'less', 'notOffered', 'offerNotDue', 'notCompared') NOT NULL,
  because VARCHAR(20) NULL,
  -- the offer that was not due
  offer_id VARCHAR(40) NULL,
  -- the release that it was compared with; NULL: there was none
  release_number INT UNSIGNED NULL,
  quote_id CHAR(22) NULL,
  shopper_hash BINARY(16) NULL,
  -- where shop and rules disagree, what was asked, so that it can be looked at again
  asked LONGTEXT NULL CHECK (JSON_VALID(asked)),
  KEY by_time (placed_at, order_number),
  KEY by_verdict (verdict, placed_at, order_number),
  KEY by_shopper (shopper_hash)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

CREATE TABLE IF NOT EXISTS redemption (
  order_number VARCHAR(40) NOT NULL,
  offer_id VARCHAR(40) NOT NULL,
  shopper_hash BINARY(16) NULL,
  PRIMARY KEY (order_number, offer_id),
  KEY by_shopper (shopper_hash, offer_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- How often an offer has been redeemed. Whoever counts or reserves writes its row first, so that they follow one another.
CREATE TABLE IF NOT EXISTS offer_use (
  offer_id VARCHAR(40) NOT NULL PRIMARY KEY,
  used INT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

CREATE TABLE IF NOT EXISTS reservation (
  offer_id VARCHAR(40) NOT NULL,
  shopper_hash BINARY(16) NOT NULL,
  until_at DATETIME(3) NOT NULL,
  PRIMARY KEY (offer_id, shopper_hash),
  KEY by_end (until_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- What signed quotes were asked and offered, without who asked, until orders name them no longer.
CREATE TABLE IF NOT EXISTS given_quote (
  id CHAR(22) NOT NULL PRIMARY KEY,
  given_at DATETIME(3) NOT NULL,
  forgotten_at DATETIME(3) NOT NULL,
  release_number INT UNSIGNED NOT NULL,
  shopper_hash BINARY(16) NULL,
  asked LONGTEXT NOT NULL CHECK (JSON_VALID(asked)),
  outcome LONGTEXT NOT NULL CHECK (JSON_VALID(outcome)),
  KEY by_end (forgotten_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
