-- Markets that somebody's edits and releases are limited to, as a JSON list of ids; NULL: all.
ALTER TABLE account ADD COLUMN IF NOT EXISTS markets TEXT NULL AFTER role;
ALTER TABLE account_link ADD COLUMN IF NOT EXISTS markets TEXT NULL AFTER role;
