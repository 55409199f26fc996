import { Button, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { serverClock } from '../live/useServerNow';
import { parsed } from '../ui/number';
import { DeskDialog } from '../ui/DeskDialog';
import { kinds } from '../kind/kinds';
import { useHands } from './useAnswering';
import { useDeparture, type WorkLine } from '../live/departureContext';
import styles from '../ui/ReasonForm.module.css';

const MINUTE_MS = 60_000;

/** Answers a line with the time it was really done. */
export function LateDialog({ line, opened, close }: { line: WorkLine; opened: boolean; close: () => void }) {
  const { live } = useDeparture();
  const hands = useHands();
  const [minutes, setMinutes] = useState('');
  const [value, setValue] = useState('');
  const ago = parsed(minutes);
  const { measure, compare } = line.text.detail;
  const kind = kinds[line.text.kind];
  const reads = kind.typed?.(line) === true;
  const asked = kind.request(line, value.trim().replaceAll(',', '.').replaceAll(/\s+/g, ' '), hands);
  const complete = ago !== null && ago >= 0 && asked !== null;
  const send = (event: FormEvent) => {
    event.preventDefault();
    if (ago === null || !complete) return;
    const doneAt = new Date(serverClock.now() - ago * MINUTE_MS).toISOString();
    close();
    void live.ask({ ...asked, doneAt });
  };
  return (
    <DeskDialog opened={opened} close={close} title={`Done earlier: ${line.text.label}`}>
      <form onSubmit={send} className={styles.form}>
        {reads && (
          <TextInput
            label={compare ? `${compare.of.join(', ')}, ${measure?.unit}, with spaces` : `Reading, ${measure?.unit}`}
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
