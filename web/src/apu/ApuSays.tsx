import { Says } from '../ui/Says';
import type { ApuView } from './apuWords';

/** What the APU asks for. `silent`: its readings have stopped while it turns. */
export function ApuSays({ apu, silent }: { apu: ApuView; silent: boolean }) {
  return silent ? (
    <Says label="APU" says="APU: no data" why="Use the aircraft's gauges." until={undefined} loud="blind" />
  ) : (
    <Says label="APU" says={apu.says} why={apu.why} until={apu.until} loud={apu.alarm ? 'act' : 'quiet'} />
  );
}
