-- Undo takes back one’s own edits first: whose each is. Without a value: whoever sat at the machine before anybody had an account.
ALTER TABLE draft_edit ADD COLUMN IF NOT EXISTS account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL;
-- The revision at which it was made, or last taken back or done again: the last step is the first to be taken back.
ALTER TABLE draft_edit ADD COLUMN IF NOT EXISTS stepped BIGINT UNSIGNED NOT NULL DEFAULT 0;
UPDATE draft_edit JOIN draft USING (store_id)
SET stepped = IF(state = 'undone', draft.revision - draft_edit.revision, draft_edit.revision)
WHERE stepped = 0;
ALTER TABLE draft_edit ADD KEY IF NOT EXISTS by_account (store_id, kind, account_id, state, stepped);
ALTER TABLE draft_edit ADD KEY IF NOT EXISTS by_step (store_id, kind, state, stepped);
