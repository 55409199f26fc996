import { Button } from '@mantine/core';
import type { Schemas } from '../api/client';
import { Key } from '../ui/Key';
import { MeasureEntry } from '../ui/MeasureEntry';
import { shownUnit } from '../ui/units';
import styles from './FactEntry.module.css';

export type Fact = Schemas['FactView'];

/** Gives a fact of the day: a number is typed, a yes or no is one key. */
export function FactEntry({
  fact,
  typing,
  setTyping,
  give,
  focus = false,
}: {
  fact: Fact;
  typing: string;
  setTyping: (text: string) => void;
  give: (value: string | boolean) => void;
  /** Whether it takes the focus: in a sheet the desk's keys are not heard. */
  focus?: boolean;
}) {
  if (fact.kind === 'NUMBER')
    return (
      <MeasureEntry
        label={fact.label}
        unit={shownUnit(fact.unit)}
        hint={`${fact.min} to ${fact.max}.`}
        typing={typing}
        setTyping={setTyping}
        enter={() => give(typing)}
      />
    );
  return (
    <div
      className={styles.yesNo}
      role="group"
      aria-label={fact.label}
      onKeyDown={(event) => {
        if (/^[yn]$/i.test(event.key)) give(event.key.toLowerCase() === 'y');
      }}
    >
      <Button variant="filled" autoFocus={focus} onClick={() => give(true)} rightSection={<Key name="Y" />}>
        Yes
      </Button>
      <Button variant="filled" onClick={() => give(false)} rightSection={<Key name="N" />}>
        No
      </Button>
    </div>
  );
}
