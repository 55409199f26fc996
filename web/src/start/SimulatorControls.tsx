import { Button, NativeSelect } from '@mantine/core';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { answered, api, type StartSheet } from '../api/client';
import { Attach } from '../simulator/Attach';
import { useDeparture, useEngines, type Work } from '../live/departureContext';
import { useKeys } from '../keys/useKeys';
import { Key } from '../ui/Key';
import styles from './SimulatorControls.module.css';
import {
  controlsFor,
  MOMENTS,
  SEVERITIES,
  SOAKED,
  standsIn,
  wrongFor,
  wrongFrom,
  wrongTo,
  type Control,
  type Wrong,
} from './simulatorWords';

const ARMED_MS = 4000;

/**
 * The simulated aircraft's controls. Each takes two presses, the first says what it does and does not; gone with a real
 * feed.
 */
export function SimulatorControls({ engine: own }: { engine: number }) {
  const { state, live, mine, works } = useDeparture();
  const engines = useEngines();
  const [chosen, choose] = useState<number | null>(null);
  const engine = chosen ?? own;
  const all = enginesOf(works);
  const [armed, setArmed] = useState<Control | null>(null);
  const simulated = state.view.feed?.simulated === true;
  const real = state.view.feed !== undefined && !simulated;
  const controls = state.sheet && simulated ? controlsFor(state.sheet, engine, state.view.controls, engines) : [];
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
      <p className={styles.title}>
        <b>Simulated aircraft.</b>{' '}
        {armed ? (
          <span role="status">
            <b>{armed.label}: press again.</b> {armed.does}
          </span>
        ) : (
          <>
            No real engine. Each takes two presses. <Stand />
          </>
        )}
      </p>
      <div className={styles.setting}>
        {all.length > 1 && (
          <NativeSelect
            size="xs"
            className={styles.choice}
            aria-label="Whose controls"
            value={String(engine)}
            data={all.map((number) => ({ value: String(number), label: `Engine ${number}` }))}
            onChange={(event) => choose(Number(event.currentTarget.value))}
          />
        )}
        <HowItStood />
        <WhatGoesWrong sheet={state.sheet} />
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
              {control.short}
              <small>
                <Key name={control.key} /> {control.on ? 'ON' : 'OFF'}
              </small>
            </span>
          </Button>
        ))}
      </div>
    </section>
  );
}

/** The engines that the procedures start. */
function enginesOf(works: Work[]): number[] {
  const numbers = works.flatMap((work) => work.lines.flatMap((line) => line.text.detail.engine ?? []));
  return [...new Set(numbers)].sort((a, b) => a - b);
}

/** In what weather it stands. */
function Stand() {
  const { page, state } = useDeparture();
  const { data } = useQuery({
    queryKey: ['stand', page.id, state.view.seq],
    queryFn: () => answered(api.GET('/api/departures/{id}/simulator', { params: { path: { id: page.id } } })),
    placeholderData: (before) => before,
  });
  return data?.weather ? standsIn(data.weather) : null;
}

/** Air and wind are the day's, as the crew has them; only how it stood is chosen, until a hand is on an engine. */
function HowItStood() {
  const { state, live } = useDeparture();
  const { controls } = state.view;
  if (Object.keys(controls).some((name) => name.startsWith('engine-'))) return null;
  return (
    <NativeSelect
      size="xs"
      className={styles.choice}
      aria-label="How it stood; air and wind are as you have told them"
      value={controls.soak ?? 'air'}
      data={SOAKED}
      onChange={(event) => void live.ask({ ask: 'TAP_CONTROL', control: 'soak', position: event.currentTarget.value })}
    />
  );
}

/** What goes wrong at the next start: what, how bad, and from when on. */
function WhatGoesWrong({ sheet }: { sheet: StartSheet }) {
  const { state, live } = useDeparture();
  const wrong = wrongFrom(state.view.controls['what-goes-wrong']);
  const choose = (change: Partial<Wrong>) =>
    void live.ask({
      ask: 'TAP_CONTROL',
      control: 'what-goes-wrong',
      position: wrongTo({ ...wrong, ...change }),
    });
  return (
    <div className={styles.wrong}>
      <NativeSelect
        size="xs"
        className={styles.choice}
        aria-label="What goes wrong at the next start"
        value={wrong.what}
        data={wrongFor(sheet)}
        onChange={(event) => choose({ what: event.currentTarget.value })}
      />
      {wrong.what !== 'nothing' && (
        <>
          <NativeSelect
            size="xs"
            className={styles.choice}
            aria-label="How bad it is"
            value={wrong.severity}
            data={SEVERITIES}
            onChange={(event) => choose({ severity: event.currentTarget.value })}
          />
          <NativeSelect
            size="xs"
            className={styles.choice}
            aria-label="From when on"
            value={wrong.after}
            data={MOMENTS}
            onChange={(event) => choose({ after: event.currentTarget.value })}
          />
        </>
      )}
    </div>
  );
}
