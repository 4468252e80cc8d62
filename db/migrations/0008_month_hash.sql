-- What a packed month is told apart by: browsers keep it under an address with this in it. Months are packed anew for it.
ALTER TABLE order_month
  ADD COLUMN IF NOT EXISTS packed_hash CHAR(32) NULL;
