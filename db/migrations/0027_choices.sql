-- What the store chooses that is no rule for shoppers.
CREATE TABLE IF NOT EXISTS store_choice (
  store_id INT UNSIGNED NOT NULL PRIMARY KEY,
  -- whether a release takes somebody who asks for it and somebody else who agrees
  two_people BOOLEAN NOT NULL DEFAULT FALSE,
  -- for so long it is kept who did what
  record_days INT UNSIGNED NOT NULL DEFAULT 365
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
INSERT IGNORE INTO store_choice (store_id) VALUES (1);

-- A release that has been asked for, where two people are needed; one at a time, and only of the draft as it was then.
CREATE TABLE IF NOT EXISTS release_asked (
  store_id INT UNSIGNED NOT NULL PRIMARY KEY,
  draft_revision BIGINT UNSIGNED NOT NULL,
  note VARCHAR(2000) NOT NULL,
  reason VARCHAR(2000) NULL,
  asked_by VARCHAR(80) NOT NULL,
  account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NOT NULL,
  asked_at DATETIME(3) NOT NULL,
  CONSTRAINT release_asked_by FOREIGN KEY (store_id, account_id) REFERENCES account (store_id, id) ON DELETE CASCADE
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

ALTER TABLE policy_release ADD COLUMN IF NOT EXISTS agreed_by VARCHAR(80) NULL AFTER released_by;
