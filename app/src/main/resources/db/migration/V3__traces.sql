-- Traces that were opened from files, as they came.
CREATE TABLE trace (
    id UUID PRIMARY KEY,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    name VARCHAR(200) NOT NULL,
    type_id VARCHAR(40) NOT NULL,
    elevation_ft DOUBLE PRECISION NOT NULL,
    opened_by VARCHAR(36) NOT NULL,
    opened_at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    outcomes VARCHAR(400) NOT NULL,
    sha256 CHAR(64) NOT NULL,
    content BLOB NOT NULL
);
CREATE INDEX trace_by_operator ON trace (operator_id, opened_at);
