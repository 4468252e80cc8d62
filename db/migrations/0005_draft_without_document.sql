-- The document has been in draft_snapshot since 0004.
ALTER TABLE draft DROP COLUMN IF EXISTS document;
