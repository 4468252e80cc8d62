-- Secrets may be sealed with a key that is not in the database, which makes them longer.
ALTER TABLE signing_secret MODIFY COLUMN secret VARBINARY(80) NOT NULL;
ALTER TABLE receiver MODIFY COLUMN secret VARBINARY(80) NOT NULL;
ALTER TABLE carrier_service MODIFY COLUMN secret VARBINARY(1600) NULL;
