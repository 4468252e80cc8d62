-- People who sign in. Without any, Summant serves the machine that it runs on, and whoever sits there may everything.
CREATE TABLE IF NOT EXISTS account (
  store_id INT UNSIGNED NOT NULL,
  id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  name VARCHAR(80) NOT NULL,
  -- what is typed to sign in, and the same as it is compared
  sign_in VARCHAR(254) NOT NULL,
  sign_in_key VARCHAR(254) NOT NULL,
  role ENUM('look', 'edit', 'release', 'own') NOT NULL,
  -- Argon2id as text, with its parameters and salt
  password_hash VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  PRIMARY KEY (store_id, id),
  UNIQUE KEY sign_in (store_id, sign_in_key)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Who is signed in where. Only hashes of what browsers hold are kept.
CREATE TABLE IF NOT EXISTS account_session (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  store_id INT UNSIGNED NOT NULL,
  id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  made_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NOT NULL,
  -- what the browser calls itself, and where it was when it signed in
  browser VARCHAR(200) NOT NULL,
  address VARCHAR(45) NOT NULL,
  KEY of_account (store_id, account_id),
  CONSTRAINT session_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Codes that take the place of a forgotten password, each once.
CREATE TABLE IF NOT EXISTS recovery_code (
  store_id INT UNSIGNED NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  code_hash BINARY(32) NOT NULL,
  PRIMARY KEY (store_id, account_id, code_hash),
  CONSTRAINT code_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Links that are good once: the first account, an invitation, the way back for whoever has neither password nor code.
CREATE TABLE IF NOT EXISTS account_link (
  token_hash BINARY(32) NOT NULL PRIMARY KEY,
  store_id INT UNSIGNED NOT NULL,
  id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  kind ENUM('first', 'invitation', 'way-back') NOT NULL,
  -- of a way back
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL,
  name VARCHAR(80) NOT NULL,
  role ENUM('look', 'edit', 'release', 'own') NOT NULL,
  made_by VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  ends_at DATETIME(3) NOT NULL,
  UNIQUE KEY by_id (store_id, id),
  CONSTRAINT link_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- One row a store: what changes people locks it first, so that the last who owns cannot go while another goes.
CREATE TABLE IF NOT EXISTS people (
  store_id INT UNSIGNED NOT NULL PRIMARY KEY
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
INSERT IGNORE INTO people (store_id) VALUES (1);
