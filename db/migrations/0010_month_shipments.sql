-- Where a month's orders went and what they weighed, packed apart: only a replay reads it. Months are packed anew for it.
ALTER TABLE order_month
  ADD COLUMN IF NOT EXISTS shipments_packed LONGBLOB NULL;
UPDATE order_month SET packed_version = NULL WHERE shipments_packed IS NULL;
