ALTER TABLE airfield ADD COLUMN elevation_ft DOUBLE PRECISION DEFAULT 0 NOT NULL;
ALTER TABLE account ADD COLUMN administrator BOOLEAN DEFAULT FALSE NOT NULL;

-- Who may send readings of a tail. The token itself is kept nowhere.
CREATE TABLE feed (
    id UUID PRIMARY KEY,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    tail VARCHAR(20) NOT NULL,
    label VARCHAR(120) NOT NULL,
    simulated BOOLEAN NOT NULL,
    token_hash CHAR(64) NOT NULL,
    issued_at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    issued_by VARCHAR(36) NOT NULL,
    revoked_at TIMESTAMP(3) WITH TIME ZONE,
    revoked_by VARCHAR(36)
);

-- Readings around starts, a second or less in each block, as lines of the feed.
CREATE TABLE sample_block (
    id UUID PRIMARY KEY,
    departure_id UUID NOT NULL REFERENCES departure (id),
    operator_id VARCHAR(60) NOT NULL,
    engine INT NOT NULL,
    first_us BIGINT NOT NULL,
    last_us BIGINT NOT NULL,
    late BOOLEAN NOT NULL,
    lines CLOB NOT NULL
);
CREATE INDEX sample_block_by_start ON sample_block (departure_id, engine, first_us);

-- One row for each attempt: what the next start of the same engine is compared with.
CREATE TABLE start_attempt (
    id UUID PRIMARY KEY,
    departure_id UUID REFERENCES departure (id),
    engine INT NOT NULL,
    number INT NOT NULL,
    operator_id VARCHAR(60) NOT NULL,
    tail VARCHAR(20) NOT NULL,
    type_id VARCHAR(40) NOT NULL,
    started_at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    outcome VARCHAR(40) NOT NULL,
    oat_c DOUBLE PRECISION,
    elevation_ft DOUBLE PRECISION NOT NULL,
    supply DOUBLE PRECISION,
    dip_v DOUBLE PRECISION,
    motoring_pct DOUBLE PRECISION,
    time_to_light_s DOUBLE PRECISION,
    peak_c DOUBLE PRECISION,
    time_to_idle_s DOUBLE PRECISION,
    flow_at_light_kgph DOUBLE PRECISION,
    trace_sha256 CHAR(64) NOT NULL,
    samples INT NOT NULL,
    UNIQUE (departure_id, engine, number)
);
CREATE INDEX start_attempt_by_engine ON start_attempt (operator_id, tail, engine, started_at);
