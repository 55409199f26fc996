import { Button, NativeSelect } from '@mantine/core';
import { useDeparture } from '../live/departureContext';
import { apuControls, apuFailures, type ApuSheet } from './apuWords';
import styles from './ApuDesk.module.css';

/** The simulated aircraft's APU: its switches, and what goes wrong with it. */
export function SimulatedApu({ sheet }: { sheet: ApuSheet }) {
  const { live, state } = useDeparture();
  const positions = state.view.controls;
  const move = (control: string, position: string) => void live.ask({ ask: 'TAP_CONTROL', control, position });
  return (
    <section className={styles.simulated} aria-label="Simulated APU">
      <p>
        <b>Simulated aircraft.</b> No real APU is touched.
      </p>
      <div className={styles.offers}>
        {apuControls(positions, state.view.apu).map((one) => (
          <Button key={one.name} aria-pressed={one.on} onClick={() => move(one.name, one.to)}>
            <span>
              {one.label}
              <small>{one.on ? 'ON' : 'OFF'}</small>
            </span>
          </Button>
        ))}
        <Button onClick={() => move('apu/start', 'on')}>Start</Button>
        <Button onClick={() => move('apu/emergency-stop', 'on')}>Emergency stop</Button>
        <Button onClick={() => move('apu/reset', 'on')}>Reset outside</Button>
      </div>
      <NativeSelect
        label="What goes wrong"
        value={positions['apu/goes-wrong'] ?? 'nothing'}
        onChange={(event) => move('apu/goes-wrong', event.currentTarget.value)}
        data={apuFailures(sheet).map((one) => ({ value: one.position, label: one.label }))}
      />
    </section>
  );
}
