import { Button, Group } from '@mantine/core';
import type { Schemas } from '../api/client';
import { Key } from '../ui/Key';
import { MeasureEntry } from '../ui/MeasureEntry';
import { shownUnit } from '../ui/units';

export type Fact = Schemas['FactView'];

/** Gives a fact of the day: a number is typed, a yes or no is one key. */
export function FactEntry({
  fact,
  typing,
  setTyping,
  give,
}: {
  fact: Fact;
  typing: string;
  setTyping: (text: string) => void;
  give: (value: string | boolean) => void;
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
    <Group mt={10} role="group" aria-label={fact.label}>
      <Button variant="filled" size="lg" onClick={() => give(true)} rightSection={<Key name="Y" />}>
        Yes
      </Button>
      <Button variant="filled" size="lg" onClick={() => give(false)} rightSection={<Key name="N" />}>
        No
      </Button>
    </Group>
  );
}
