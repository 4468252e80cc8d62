-- What was last read of each surface, so that it can be compared with any release. Surfaces themselves are in the policy.
CREATE TABLE IF NOT EXISTS surface_reading (
  store_id TINYINT UNSIGNED NOT NULL,
  surface VARCHAR(40) NOT NULL,
  -- NULL: nothing has been read yet
  content MEDIUMTEXT NULL,
  -- text, html, csv, xml or json
  format VARCHAR(8) NULL,
  -- fetched, pasted or file
  source VARCHAR(8) NULL,
  read_at DATETIME(3) NULL,
  -- the last time that it was fetched, and why nothing came of it; NULL: something did
  tried_at DATETIME(3) NULL,
  problem VARCHAR(400) NULL,
  -- the release for which somebody has said that it is right
  done_release INT UNSIGNED NULL,
  PRIMARY KEY (store_id, surface)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;

-- Hosts that pages are fetched from, and no others.
CREATE TABLE IF NOT EXISTS listed_host (
  store_id TINYINT UNSIGNED NOT NULL,
  host VARCHAR(200) NOT NULL,
  PRIMARY KEY (store_id, host)
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
