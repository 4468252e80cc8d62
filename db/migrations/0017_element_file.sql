-- The element's file in every version that has been served: pages of shops name one, by its content, and are to find it after an upgrade too.
CREATE TABLE IF NOT EXISTS element_file (
  version CHAR(12) NOT NULL PRIMARY KEY,
  content MEDIUMBLOB NOT NULL,
  kept_at DATETIME(3) NOT NULL
) ENGINE=InnoDB DEFAULT CHARSET=utf8mb4 COLLATE=utf8mb4_bin;
