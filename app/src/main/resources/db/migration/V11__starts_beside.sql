-- The readings of starts from before departures were kept here, as a compressed trace.
CREATE TABLE start_readings (
    attempt_id UUID PRIMARY KEY REFERENCES start_attempt (id) ON DELETE CASCADE,
    content BLOB NOT NULL
);
-- A trace from a file may be that of an engine: then it stands among the starts of that engine.
ALTER TABLE trace ADD COLUMN tail VARCHAR(20);
ALTER TABLE trace ADD COLUMN engine INT;
CREATE INDEX trace_by_engine ON trace (operator_id, tail, engine);
-- The wind of a start is a reason of its peak.
ALTER TABLE start_attempt ADD COLUMN tail_wind_kt DOUBLE PRECISION;
