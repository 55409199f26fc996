-- Everything that is read is kept under what it is of: engine:1 to engine:4, apu, aircraft.
ALTER TABLE sample_block ADD COLUMN subject VARCHAR(12) DEFAULT 'aircraft' NOT NULL;
UPDATE sample_block SET subject = 'engine:' || engine;
ALTER TABLE sample_block ALTER COLUMN subject DROP DEFAULT;
DROP INDEX sample_block_by_start;
ALTER TABLE sample_block DROP COLUMN engine;
CREATE INDEX sample_block_by_start ON sample_block (departure_id, subject, first_us);

ALTER TABLE start_attempt ADD COLUMN subject VARCHAR(12) DEFAULT 'aircraft' NOT NULL;
UPDATE start_attempt SET subject = 'engine:' || engine;
ALTER TABLE start_attempt ALTER COLUMN subject DROP DEFAULT;
DROP INDEX start_attempt_by_engine;
CREATE TABLE start_attempt_kept AS SELECT id, departure_id, subject, number, operator_id, tail, type_id, started_at, outcome, oat_c, elevation_ft, supply, dip_v,
    motoring_pct, time_to_light_s, peak_c, time_to_idle_s, flow_at_light_kgph, trace_sha256, samples FROM start_attempt;
DROP TABLE start_attempt;
ALTER TABLE start_attempt_kept RENAME TO start_attempt;
ALTER TABLE start_attempt ALTER COLUMN id SET NOT NULL;
ALTER TABLE start_attempt ADD PRIMARY KEY (id);
ALTER TABLE start_attempt ADD FOREIGN KEY (departure_id) REFERENCES departure (id);
ALTER TABLE start_attempt ADD UNIQUE (departure_id, subject, number);
CREATE INDEX start_attempt_by_engine ON start_attempt (operator_id, tail, subject, started_at);
