import { Button, NativeSelect } from '@mantine/core';
import { useDeparture } from '../live/departureContext';
import type { NetworkView, SourceView } from './powerWords';
import styles from './PowerDesk.module.css';

const WRONG: Partial<Record<SourceView['kind'], { value: string; label: string }[]>> = {
  BATTERY: [
    { value: 'nothing', label: 'good' },
    { value: 'weak', label: 'weak' },
  ],
  GROUND: [
    { value: 'nothing', label: 'good' },
    { value: 'low', label: 'volts low' },
    { value: 'high', label: 'volts high' },
    { value: 'reversed', label: 'wrong polarity' },
  ],
};

/**
 * The simulated aircraft's sources and ties: plugs, switches, and what is wrong with them. They begin to tell with the
 * first touch.
 */
export function SimulatedPower({ power }: { power: NetworkView }) {
  const { live, state } = useDeparture();
  const move = (control: string, position: string) => void live.ask({ ask: 'TAP_CONTROL', control, position });
  const shown = state.view.feed?.power;
  const toggle = (control: string, on: boolean, name: string, words: [string, string]) => (
    <Button key={control} aria-pressed={on} onClick={() => move(control, on ? 'off' : 'on')}>
      <span>
        {name}
        <small>{on ? words[0] : words[1]}</small>
      </span>
    </Button>
  );
  return (
    <section className={styles.simulated} aria-label="Simulated electrics">
      <p>
        <b>Simulated aircraft.</b> No real switch is touched.{' '}
        {!shown && 'Its electrics begin to tell when you touch the first one.'}
      </p>
      <div className={styles.offers}>
        {power.sources.map(
          (one) =>
            one.kind === 'GROUND' &&
            toggle(`electrics/${one.id}/there`, shown?.there[one.id] ?? one.stand !== 'AWAY', `${one.name}, plug`, [
              'plugged in',
              'away',
            ]),
        )}
        {power.sources.map(
          (one) =>
            one.hasSwitch &&
            toggle(`electrics/${one.id}/on`, shown?.on[one.id] ?? ['ON', 'FEEDING'].includes(one.stand), one.name, [
              'ON',
              'OFF',
            ]),
        )}
        {power.ties.map(
          (tie) =>
            tie.hasSwitch &&
            toggle(`electrics/${tie.id}/closed`, shown?.closed[tie.id] ?? tie.closed === true, tie.name, [
              'closed',
              'open',
            ]),
        )}
      </div>
      <div className={styles.wrong}>
        {power.sources.map((one) => {
          const control = `electrics/${one.id}/goes-wrong`;
          return (
            WRONG[one.kind] && (
              <NativeSelect
                key={one.id}
                label={`${one.name} is`}
                value={state.view.controls[control] ?? 'nothing'}
                onChange={(event) => move(control, event.currentTarget.value)}
                data={WRONG[one.kind]}
              />
            )
          );
        })}
      </div>
    </section>
  );
}
