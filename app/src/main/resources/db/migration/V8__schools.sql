-- What the standards office has set of an operator's options: every setting is kept, the newest of each counts.
CREATE TABLE school_set (
    id UUID PRIMARY KEY,
    operator_id VARCHAR(60) NOT NULL REFERENCES operator (id),
    type_id VARCHAR(40) NOT NULL,
    registration VARCHAR(20),
    option_id VARCHAR(60) NOT NULL,
    school VARCHAR(60) NOT NULL,
    person_id VARCHAR(60) NOT NULL,
    person_name VARCHAR(200) NOT NULL,
    at TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    why VARCHAR(500) NOT NULL
);
CREATE INDEX school_set_by_operator ON school_set (operator_id, type_id, at);
