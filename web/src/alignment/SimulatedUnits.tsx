import { Button, NativeSelect, TextInput } from '@mantine/core';
import { useState } from 'react';
import { useDeparture } from '../live/departureContext';
import type { UnitsView } from './unitsWords';
import styles from './AlignmentDesk.module.css';

/** Its control, and what its button says before and while it lasts. */
const ON_OFF: [string, string, string][] = [
  ['inertial/tow', 'Tow begins', 'Tow ends'],
  ['inertial/gusts', 'Gusts begin', 'Gusts end'],
  ['inertial/loading', 'Loading begins', 'Loading ends'],
];

/** The simulated aircraft's inertial units: their selectors, what is typed into them, and what disturbs them. */
export function SimulatedUnits({ units }: { units: UnitsView }) {
  const { live, state } = useDeparture();
  const [unit, setUnit] = useState('all');
  const [typing, setTyping] = useState('');
  const positions = state.view.controls;
  const move = (control: string, position: string) => live.ask({ ask: 'TAP_CONTROL', control, position });
  const power = (positions['inertial/power'] ?? 'on') === 'on';
  // The simulated electrics count once somebody has had a hand on them.
  const fed =
    !Object.keys(positions).some((control) => control.startsWith('electrics/')) ||
    state.view.electrics?.buses.some((bus) => bus.powered !== false) !== false;
  return (
    <section className={styles.simulated} aria-label="Simulated inertial units">
      <p>
        <b>Simulated aircraft.</b> No real unit is touched.
      </p>
      {!fed && <p role="status">No bus has power: the units stay off, whatever is selected.</p>}
      <NativeSelect
        label="Hand on"
        value={unit}
        onChange={(event) => setUnit(event.currentTarget.value)}
        data={[
          { value: 'all', label: 'all units' },
          ...units.units.map((one) => ({ value: String(one.number), label: `unit ${one.number}` })),
        ]}
      />
      <div className={styles.offers}>
        {(['off', 'align', 'navigation'] as const).map((mode) => (
          <Button key={mode} onClick={() => void move(`inertial/${unit}/mode`, mode)}>
            {mode.toUpperCase()}
          </Button>
        ))}
        <Button onClick={() => void move(`inertial/${unit}/position`, units.stand)}>Enter the stand</Button>
      </div>
      <form
        className={styles.entry}
        onSubmit={(event) => {
          event.preventDefault();
          void move(`inertial/${unit}/position`, typing).then((accepted) => accepted && setTyping(''));
        }}
      >
        <TextInput
          label="Type into it"
          maxLength={60}
          autoComplete="off"
          spellCheck={false}
          value={typing}
          onChange={(event) => setTyping(event.currentTarget.value)}
        />
        <Button type="submit" disabled={typing.trim() === ''}>
          Enter
        </Button>
      </form>
      <div className={styles.offers}>
        {ON_OFF.map(([control, begins, ends]) => {
          const on = positions[control] === 'on';
          return (
            <Button key={control} aria-pressed={on} onClick={() => void move(control, on ? 'off' : 'on')}>
              {on ? ends : begins}
            </Button>
          );
        })}
        <Button aria-pressed={power} onClick={() => void move('inertial/power', power ? 'off' : 'on')}>
          Power {power ? 'away' : 'back'}
        </Button>
        <Button onClick={() => void move(`inertial/${unit}/kept`, 'elsewhere')}>It kept another place</Button>
      </div>
      <NativeSelect
        label="Fault code"
        value={positions[`inertial/${unit}/code`] ?? 'none'}
        onChange={(event) => void move(`inertial/${unit}/code`, event.currentTarget.value)}
        data={[
          { value: 'none', label: 'none' },
          ...units.codes.map((one) => ({ value: one.code, label: `${one.code}: ${one.meaning}` })),
        ]}
      />
    </section>
  );
}
