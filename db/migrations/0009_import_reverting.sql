-- The word for taking an import back, as the programme says it.
ALTER TABLE import_run
  MODIFY COLUMN state ENUM('reading', 'checked', 'applying', 'takingBack', 'reverting', 'done', 'cancelled', 'failed') NOT NULL;
UPDATE import_run SET state = 'reverting' WHERE state = 'takingBack';
ALTER TABLE import_run
  MODIFY COLUMN state ENUM('reading', 'checked', 'applying', 'reverting', 'done', 'cancelled', 'failed') NOT NULL;
