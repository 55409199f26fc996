CREATE TABLE operator (
    id VARCHAR(60) PRIMARY KEY,
    name VARCHAR(120) NOT NULL
);

CREATE TABLE account (
    id VARCHAR(36) PRIMARY KEY,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    account_name VARCHAR(60) NOT NULL UNIQUE,
    full_name VARCHAR(120) NOT NULL,
    duty VARCHAR(60) NOT NULL,
    password_hash VARCHAR(120) NOT NULL,
    demo BOOLEAN NOT NULL
);

CREATE TABLE airfield (
    code VARCHAR(8) NOT NULL,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    name VARCHAR(120) NOT NULL,
    latitude_deg DOUBLE PRECISION NOT NULL,
    longitude_deg DOUBLE PRECISION NOT NULL,
    PRIMARY KEY (operator_id, code)
);

CREATE TABLE tail (
    registration VARCHAR(20) NOT NULL,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    type_id VARCHAR(40) NOT NULL,
    modifications VARCHAR(400) NOT NULL,
    PRIMARY KEY (operator_id, registration)
);

CREATE TABLE pack (
    hash CHAR(64) PRIMARY KEY,
    kind VARCHAR(20) NOT NULL,
    document_id VARCHAR(80) NOT NULL,
    type_id VARCHAR(40) NOT NULL,
    stored_at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    content CLOB NOT NULL
);

CREATE TABLE departure (
    id UUID PRIMARY KEY,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    off_block TIMESTAMP(3) WITH TIME ZONE NOT NULL
);
CREATE INDEX departure_by_operator ON departure (operator_id, off_block);

-- The log. The text is what was hashed; nothing in it is ever rewritten.
CREATE TABLE departure_event (
    departure_id UUID NOT NULL REFERENCES departure (id),
    seq BIGINT NOT NULL,
    operator_id VARCHAR(60) NOT NULL,
    at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    envelope CLOB NOT NULL,
    PRIMARY KEY (departure_id, seq)
);
CREATE INDEX departure_event_newest ON departure_event (at);

-- What was answered to a command, so that asking again gives the same answer.
CREATE TABLE command_answer (
    departure_id UUID NOT NULL REFERENCES departure (id),
    command_id UUID NOT NULL,
    operator_id VARCHAR(60) NOT NULL,
    request_hash CHAR(64) NOT NULL,
    first_seq BIGINT,
    last_seq BIGINT,
    problem CLOB,
    PRIMARY KEY (departure_id, command_id)
);

CREATE TABLE SPRING_SESSION (
    PRIMARY_ID CHAR(36) NOT NULL,
    SESSION_ID CHAR(36) NOT NULL,
    CREATION_TIME BIGINT NOT NULL,
    LAST_ACCESS_TIME BIGINT NOT NULL,
    MAX_INACTIVE_INTERVAL INT NOT NULL,
    EXPIRY_TIME BIGINT NOT NULL,
    PRINCIPAL_NAME VARCHAR(100),
    CONSTRAINT SPRING_SESSION_PK PRIMARY KEY (PRIMARY_ID)
);
CREATE UNIQUE INDEX SPRING_SESSION_IX1 ON SPRING_SESSION (SESSION_ID);
CREATE INDEX SPRING_SESSION_IX2 ON SPRING_SESSION (EXPIRY_TIME);
CREATE INDEX SPRING_SESSION_IX3 ON SPRING_SESSION (PRINCIPAL_NAME);

CREATE TABLE SPRING_SESSION_ATTRIBUTES (
    SESSION_PRIMARY_ID CHAR(36) NOT NULL,
    ATTRIBUTE_NAME VARCHAR(200) NOT NULL,
    ATTRIBUTE_BYTES VARBINARY(1000000) NOT NULL,
    CONSTRAINT SPRING_SESSION_ATTRIBUTES_PK PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
    CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
