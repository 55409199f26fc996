import { Button, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { serverClock } from '../live/useServerNow';
import { parsed } from '../ui/number';
import { DeskDialog } from '../ui/DeskDialog';
import { useDeparture, type WorkLine } from '../live/departureContext';
import styles from '../ui/ReasonForm.module.css';

const MINUTE_MS = 60_000;

/** Answers a line with the time it was really done. */
export function LateDialog({ line, opened, close }: { line: WorkLine; opened: boolean; close: () => void }) {
  const { live, person } = useDeparture();
  const [minutes, setMinutes] = useState('');
  const [value, setValue] = useState('');
  const ago = parsed(minutes);
  const reading = parsed(value);
  const { measure } = line.text;
  const complete = ago !== null && ago >= 0 && (!measure || reading !== null);
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (ago === null || !complete) return;
    const doneAt = new Date(serverClock.now() - ago * MINUTE_MS).toISOString();
    close();
    const confirms = line.view.answered && line.view.answered.by.id !== person.id;
    void live.ask(
      measure && reading !== null
        ? { ask: 'MEASURE', line: line.text.ref, value: reading, unit: measure.unit, doneAt }
        : { ask: confirms ? 'CONFIRM' : 'ANSWER', line: line.text.ref, doneAt },
    );
  };
  return (
    <DeskDialog opened={opened} close={close} title={`Done earlier: ${line.text.label}`}>
      <form onSubmit={send} className={styles.form}>
        {measure && (
          <TextInput
            label={`Reading, ${measure.unit}`}
            inputMode="decimal"
            value={value}
            onChange={(event) => setValue(event.currentTarget.value)}
          />
        )}
        <TextInput
          label="Minutes ago"
          inputMode="decimal"
          data-autofocus
          value={minutes}
          onChange={(event) => setMinutes(event.currentTarget.value)}
        />
        <Button type="submit" variant="filled" disabled={!complete}>
          Record with its own time
        </Button>
      </form>
    </DeskDialog>
  );
}
