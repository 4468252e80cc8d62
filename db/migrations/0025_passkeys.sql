-- Passkeys: keys that an account is signed in to with, in place of its password.
CREATE TABLE IF NOT EXISTS passkey (
  store_id INT UNSIGNED NOT NULL,
  id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  -- as the browser names it, and its SHA-256, by which it is found
  credential_id VARBINARY(1023) NOT NULL,
  credential_hash BINARY(32) NOT NULL,
  -- COSE (RFC 9052)
  public_key VARBINARY(2048) NOT NULL,
  signatures INT UNSIGNED NOT NULL,
  name VARCHAR(80) NOT NULL,
  made_at DATETIME(3) NOT NULL,
  used_at DATETIME(3) NULL,
  PRIMARY KEY (store_id, id),
  UNIQUE KEY by_credential (store_id, credential_hash),
  CONSTRAINT passkey_of FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- What a passkey was asked to sign: good once, and for some minutes.
CREATE TABLE IF NOT EXISTS passkey_challenge (
  challenge_hash BINARY(32) NOT NULL PRIMARY KEY,
  store_id INT UNSIGNED NOT NULL,
  -- who adds a passkey; NULL: somebody signs in
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL,
  ends_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
