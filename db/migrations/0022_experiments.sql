-- The arm of an experiment that an order’s shopper belonged to, as experiment/arm; '' for none. Packed beside its value: months are
-- packed anew for it.
ALTER TABLE past_order
  ADD COLUMN IF NOT EXISTS arm VARCHAR(81) NOT NULL DEFAULT '';
ALTER TABLE order_month
  ADD COLUMN IF NOT EXISTS arms LONGTEXT NULL CHECK (arms IS NULL OR JSON_VALID(arms));
UPDATE order_month SET packed_version = NULL;
-- What an order that names a quote was quoted under.
ALTER TABLE given_quote
  ADD COLUMN IF NOT EXISTS arm VARCHAR(81) NOT NULL DEFAULT '';

-- Which shoppers were quoted in an experiment, so that each is counted once; cleared away once it is over.
CREATE TABLE IF NOT EXISTS experiment_shopper (
  experiment_id VARCHAR(40) NOT NULL,
  shopper_hash BINARY(16) NOT NULL,
  PRIMARY KEY (experiment_id, shopper_hash)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- How many shoppers of an arm were quoted.
CREATE TABLE IF NOT EXISTS experiment_arm (
  experiment_id VARCHAR(40) NOT NULL,
  arm_id VARCHAR(40) NOT NULL,
  shoppers INT UNSIGNED NOT NULL,
  last_at DATETIME(3) NOT NULL,
  PRIMARY KEY (experiment_id, arm_id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Experiments that ended by themselves because an arm surely lost margin.
CREATE TABLE IF NOT EXISTS experiment_end (
  experiment_id VARCHAR(40) NOT NULL PRIMARY KEY,
  ended_at DATETIME(3) NOT NULL,
  -- the arm, and the interval of what it loses of an order, minor units
  arm_id VARCHAR(40) NOT NULL,
  low DOUBLE NOT NULL,
  high DOUBLE NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
