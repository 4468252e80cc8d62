-- The draft's document is written as a whole only now and then: between two snapshots the edits lead from one revision to
-- the next, so that an edit of a large store writes little.
CREATE TABLE IF NOT EXISTS draft_snapshot (
  store_id TINYINT UNSIGNED NOT NULL,
  revision BIGINT UNSIGNED NOT NULL,
  schema_version SMALLINT UNSIGNED NOT NULL,
  document LONGTEXT NOT NULL CHECK (JSON_VALID(document)),
  PRIMARY KEY (store_id, revision)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

INSERT IGNORE INTO draft_snapshot SELECT store_id, revision, JSON_VALUE(document, '$.version'), document FROM draft;
