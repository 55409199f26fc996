-- Whose procedures a pack holds; empty for a type. With it a pack that is known need not be read again at every start.
ALTER TABLE pack ADD COLUMN operator_id VARCHAR(60);
