-- What fed a starter has a resistance; its motoring speed is in the record of the start.
ALTER TABLE start_attempt ADD COLUMN resistance_mohm DOUBLE PRECISION;
