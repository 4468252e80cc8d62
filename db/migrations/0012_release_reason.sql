-- Why a release was made although the check-up called something wrong.
ALTER TABLE policy_release
  ADD COLUMN IF NOT EXISTS reason VARCHAR(2000) NULL AFTER note;
