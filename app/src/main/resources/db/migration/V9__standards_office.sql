-- Who may set an operator's schools. Those who could so far, the administrators, still can.
ALTER TABLE account ADD COLUMN standards BOOLEAN DEFAULT FALSE NOT NULL;
UPDATE account SET standards = TRUE WHERE administrator;
