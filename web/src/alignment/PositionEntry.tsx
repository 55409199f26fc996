import { Button, TextInput } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import type { UnitsView } from './unitsWords';
import { useTellUnits } from './useUnitsNext';
import styles from './AlignmentDesk.module.css';

/** What was typed into the units, where it is not what the stand sign says, or it is to be looked at again. */
export function PositionEntry({ units, of }: { units: UnitsView; of: number[] }) {
  const tell = useTellUnits();
  const [typing, setTyping] = useState('');
  const enter = (event: FormEvent) => {
    event.preventDefault();
    if (typing.trim() === '') return;
    void tell('POSITION', of, { position: typing }).then((accepted) => accepted && setTyping(''));
  };
  return (
    <form onSubmit={enter} className={styles.entry}>
      <TextInput
        label="Position as the units show it"
        description={`Any usual writing: ${units.stand}, or ${units.standDecimals}.`}
        maxLength={60}
        autoComplete="off"
        spellCheck={false}
        value={typing}
        onChange={(event) => setTyping(event.currentTarget.value)}
      />
      <Button type="submit" disabled={typing.trim() === ''}>
        Compare and enter
      </Button>
    </form>
  );
}
