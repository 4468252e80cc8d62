-- The version of the policy's schema that an edit was made under: one of an earlier version does not fit the document
-- of a later one, so undo does not go behind an upgrade.
ALTER TABLE draft_edit ADD COLUMN IF NOT EXISTS schema_version SMALLINT UNSIGNED NOT NULL DEFAULT 1;
