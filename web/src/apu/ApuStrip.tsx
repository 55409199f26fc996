import { Button } from '@mantine/core';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { ApuSays } from './ApuSays';
import type { ApuTap } from './apuWords';
import { useApuSilent } from './useApuSilent';
import styles from './ApuDesk.module.css';

/** Which switch of the simulated APU does what a line asks for. */
const SWITCH: Partial<Record<ApuTap, [string, string, string]>> = {
  MASTER_ON: ['apu/master', 'on', 'master ON'],
  START: ['apu/start', 'on', 'start'],
  GENERATOR_ON: ['apu/generator', 'on', 'generator ON'],
  AIR_ON: ['apu/bleed', 'on', 'air ON'],
  AIR_OFF: ['apu/bleed', 'off', 'air OFF'],
  GENERATOR_OFF: ['apu/generator', 'off', 'generator OFF'],
  MASTER_OFF: ['apu/master', 'off', 'master OFF'],
  EMERGENCY_STOP: ['apu/emergency-stop', 'on', 'emergency stop'],
};

/** Whether a line has to do with the APU. */
export function isOfApu(line: WorkLine): boolean {
  return (
    line.text.marks.apu !== undefined ||
    (line.view.gate?.waits.some((wait) => wait.kind === 'APU' || wait.kind === 'APU_AT_HAND') ?? false)
  );
}

/** How the APU stands, on the card of a line that has to do with it. */
export function ApuStrip({ line }: { line: WorkLine }) {
  const { live, state } = useDeparture();
  const silent = useApuSilent();
  const apu = state.view.apu;
  if (!apu) return null;
  const hand = line.text.marks.apu && line.view.gate ? SWITCH[line.text.marks.apu] : undefined;
  const simulated = state.view.feed?.simulated === true && apu.read;
  return (
    <div className={styles.strip}>
      <ApuSays apu={apu} silent={silent} />
      {simulated && hand && (
        <Button onClick={() => void live.ask({ ask: 'TAP_CONTROL', control: hand[0], position: hand[1] })}>
          Simulated aircraft: {hand[2]}
        </Button>
      )}
    </div>
  );
}
