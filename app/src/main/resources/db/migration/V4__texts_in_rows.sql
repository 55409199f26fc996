-- A text in its own row is one page to write; kept apart from its row it was several, with every commit.
ALTER TABLE departure_event ALTER COLUMN envelope SET DATA TYPE CHARACTER VARYING(1000000);
ALTER TABLE command_answer ALTER COLUMN problem SET DATA TYPE CHARACTER VARYING(1000000);
ALTER TABLE sample_block ALTER COLUMN lines SET DATA TYPE CHARACTER VARYING(1000000);
