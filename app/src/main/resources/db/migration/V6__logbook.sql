-- One row for each signed departure, made when it is signed; those that were signed before are filled in at the next start.
CREATE TABLE logbook_entry (
    departure_id UUID PRIMARY KEY REFERENCES departure (id),
    operator_id VARCHAR(60) NOT NULL,
    off_block TIMESTAMP(3) WITH TIME ZONE NOT NULL,
    entry CHARACTER VARYING(1000000)
);
CREATE INDEX logbook_by_operator ON logbook_entry (operator_id, off_block);

INSERT INTO logbook_entry (departure_id, operator_id, off_block)
SELECT id, operator_id, off_block FROM departure
WHERE EXISTS (SELECT 1 FROM departure_event WHERE departure_id = departure.id AND envelope LIKE '%"type":"Signed"%');
