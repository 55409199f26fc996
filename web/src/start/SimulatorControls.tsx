import { Button, NativeSelect } from '@mantine/core';
import { useEffect, useState } from 'react';
import { Attach } from '../simulator/Attach';
import { useDeparture, useEngines } from '../live/departureContext';
import { useKeys } from '../keys/useKeys';
import { Key } from '../ui/Key';
import styles from './SimulatorControls.module.css';
import { controlsFor, WRONG, type Control } from './simulatorWords';

const ARMED_MS = 4000;

/**
 * The simulated aircraft's controls. Each takes two presses, the first says what it does and does not; gone with a real
 * feed.
 */
export function SimulatorControls({ engine }: { engine: number }) {
  const { state, live, mine } = useDeparture();
  const engines = useEngines();
  const [armed, setArmed] = useState<Control | null>(null);
  const simulated = state.view.feed?.simulated === true;
  const real = state.view.feed !== undefined && !simulated;
  const controls =
    state.sheet && simulated ? controlsFor(state.sheet, engine, state.view.controls, engines[engine]) : [];
  useEffect(() => {
    if (!armed) return undefined;
    const timer = setTimeout(() => setArmed(null), ARMED_MS);
    return () => clearTimeout(timer);
  }, [armed]);
  const press = (control: Control) => {
    if (armed?.name !== control.name || armed.to !== control.to) {
      setArmed(control);
      return;
    }
    setArmed(null);
    void live.ask({ ask: 'TAP_CONTROL', control: control.name, position: control.to });
  };
  useKeys(
    (key) => {
      const control = controls.find((one) => one.key === key);
      if (!control || !mine) return false;
      press(control);
      return true;
    },
    simulated,
    'start',
  );
  if (real || !mine || !state.sheet) return null;
  if (!simulated) return <Attach />;
  return (
    <section className={styles.panel} aria-label="Simulated aircraft">
      <div className={styles.head}>
        <p className={styles.title}>
          <b>Simulated aircraft.</b>{' '}
          {armed ? (
            <span role="status">
              <b>{armed.label}: press again.</b> {armed.does}
            </span>
          ) : (
            'No real engine is started here. Each control takes two presses.'
          )}
        </p>
        <NativeSelect
          className={styles.wrong}
          aria-label="What goes wrong at the next start"
          value={state.view.controls['what-goes-wrong'] ?? 'nothing'}
          data={WRONG}
          onChange={(event) =>
            void live.ask({ ask: 'TAP_CONTROL', control: 'what-goes-wrong', position: event.currentTarget.value })
          }
        />
      </div>
      <div className={styles.row}>
        {controls.map((control) => (
          <Button
            key={control.name}
            className={styles.control}
            data-armed={armed?.name === control.name || undefined}
            aria-pressed={control.on}
            onClick={() => press(control)}
          >
            <span>
              {control.short} <Key name={control.key} />
              <small>{control.on ? 'ON' : 'OFF'}</small>
            </span>
          </Button>
        ))}
      </div>
    </section>
  );
}
