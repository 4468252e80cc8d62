-- Systems of the shop that are told of releases.
CREATE TABLE IF NOT EXISTS receiver (
  store_id TINYINT UNSIGNED NOT NULL,
  id CHAR(8) NOT NULL,
  address VARCHAR(400) NOT NULL,
  secret BINARY(32) NOT NULL,
  -- changes with the secret, so that a receiver knows which one a call is signed with
  secret_id CHAR(8) NOT NULL,
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  -- the first call that did not arrive since the last one that did; NULL: all is well
  failing_since DATETIME(3) NULL,
  -- since when it is told nothing more, because nothing arrived for long
  left_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- The outbox: what is to be told to whom, written together with what it tells of.
CREATE TABLE IF NOT EXISTS outgoing_call (
  store_id TINYINT UNSIGNED NOT NULL,
  id CHAR(12) NOT NULL,
  receiver CHAR(8) NOT NULL,
  -- release or test
  kind VARCHAR(8) NOT NULL,
  release_number INT UNSIGNED NULL,
  body TEXT NOT NULL,
  made_at DATETIME(3) NOT NULL,
  tries SMALLINT UNSIGNED NOT NULL DEFAULT 0,
  -- NULL: it has arrived, or was given up
  next_at DATETIME(3) NULL,
  arrived_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id),
  KEY due (store_id, next_at),
  KEY of_receiver (store_id, receiver, made_at)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Every time that a call was made, and what came of it.
CREATE TABLE IF NOT EXISTS outgoing_try (
  store_id TINYINT UNSIGNED NOT NULL,
  call_id CHAR(12) NOT NULL,
  number SMALLINT UNSIGNED NOT NULL,
  made_at DATETIME(3) NOT NULL,
  took_ms INT UNSIGNED NOT NULL,
  status SMALLINT UNSIGNED NULL,
  answer VARCHAR(400) NULL,
  -- NULL: it arrived
  problem VARCHAR(200) NULL,
  PRIMARY KEY (store_id, call_id, number)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
