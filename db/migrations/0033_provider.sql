-- Whoever joins by a sign-in provider has no password until one is set with a recovery code.
ALTER TABLE account MODIFY password_hash VARCHAR(255) CHARACTER SET ascii COLLATE ascii_bin NULL;

-- By whom of a sign-in provider an account is signed in to.
CREATE TABLE IF NOT EXISTS account_identity (
  store_id INT UNSIGNED NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- SHA-256 of issuer and subject, by which it is found
  identity_hash BINARY(32) NOT NULL,
  issuer VARCHAR(300) NOT NULL,
  -- what the provider calls whoever it is
  known_as VARCHAR(254) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, account_id),
  UNIQUE KEY by_identity (store_id, identity_hash),
  CONSTRAINT identity_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Who has gone to the provider and is expected back: good once, for some minutes, and in the browser that went.
CREATE TABLE IF NOT EXISTS provider_journey (
  state_hash BINARY(32) NOT NULL PRIMARY KEY,
  store_id INT UNSIGNED NOT NULL,
  browser_hash BINARY(32) NOT NULL,
  purpose ENUM('sign-in', 'join', 'connect') NOT NULL,
  nonce VARCHAR(64) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  verifier VARCHAR(128) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- where the provider sends the browser, and where it goes then
  back VARCHAR(400) NOT NULL,
  next VARCHAR(2000) NOT NULL,
  -- of who connects
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL,
  -- of who joins: the hash of the link, the name, and what is signed in with
  link_hash BINARY(32) NULL,
  name VARCHAR(80) NULL,
  sign_in VARCHAR(254) NULL,
  ends_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
