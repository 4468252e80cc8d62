-- Undo takes back one’s own edits first: whose each is. Without a value: whoever sat at the machine before anybody had an account.
ALTER TABLE draft_edit ADD COLUMN IF NOT EXISTS account_id CHAR(12) CHARACTER SET ascii COLLATE ascii_bin NULL;
ALTER TABLE draft_edit ADD KEY IF NOT EXISTS by_account (store_id, kind, account_id, state, revision);
