-- What a release changed of offers, as results ask for it: worked out when it is asked for first, since a release never changes.
ALTER TABLE policy_release
  ADD COLUMN IF NOT EXISTS step LONGTEXT NULL CHECK (step IS NULL OR JSON_VALID(step));
