-- What a command made is its answer: it stands with its first event, and only what was refused stands apart.
ALTER TABLE departure_event ADD COLUMN command_id UUID;
ALTER TABLE departure_event ADD COLUMN request_hash CHAR(64);
ALTER TABLE departure_event ADD COLUMN last_seq BIGINT;

MERGE INTO departure_event USING (SELECT * FROM command_answer WHERE first_seq IS NOT NULL) made
    ON departure_event.departure_id = made.departure_id AND departure_event.seq = made.first_seq
WHEN MATCHED THEN UPDATE SET
    command_id = made.command_id, request_hash = made.request_hash, last_seq = made.last_seq;

DELETE FROM command_answer WHERE first_seq IS NOT NULL;
ALTER TABLE command_answer DROP COLUMN first_seq;
ALTER TABLE command_answer DROP COLUMN last_seq;
ALTER TABLE command_answer RENAME TO command_refused;
ALTER TABLE command_refused ALTER COLUMN problem SET NOT NULL;

-- Rows stand in the order in which they came: the newest needs no index that every event pays for.
DROP INDEX departure_event_newest;
