import { Button, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import { useDeparture } from '../live/departureContext';
import { parsed } from '../ui/number';
import type { ApuView } from './apuWords';
import styles from './ApuDesk.module.css';

/** The highest temperature that the crew saw, typed where nothing reads it: first of its start, then of its run. */
export function ApuPeak({ apu, done }: { apu: ApuView; done: () => void }) {
  const { live } = useDeparture();
  const [typing, setTyping] = useState('');
  const starting = !apu.peaks.some((peak) => peak.starting);
  if (apu.phase === 'OFF' || apu.phase === 'POWERED') return null;
  const value = parsed(typing);
  const note = (event: FormEvent) => {
    event.preventDefault();
    if (value === null) return;
    void live.ask({ ask: 'TYPE_APU_PEAK', starting, peak_c: value }).then((accepted) => {
      if (!accepted) return;
      setTyping('');
      done();
    });
  };
  return (
    <form onSubmit={note} className={styles.peak}>
      <TextInput
        label={`Highest EGT ${starting ? 'in its start' : 'while it ran'}, °C`}
        inputMode="decimal"
        maxLength={6}
        value={typing}
        onChange={(event) => setTyping(event.currentTarget.value)}
      />
      <Button type="submit" disabled={value === null}>
        Note it
      </Button>
    </form>
  );
}
