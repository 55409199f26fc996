import { useApuReadings, useDeparture } from '../live/departureContext';
import { useMonotonic } from '../live/useMonotonic';

const SILENT_MS = 1500;
const SILENT_AT_REST_MS = 3000;

/** Whether the APU is read and its readings have stopped: an old number never stays as if it were new. */
export function useApuSilent(): boolean {
  const { state } = useDeparture();
  const { heardAt } = useApuReadings();
  const now = useMonotonic();
  const apu = state.view.apu;
  if (!apu?.read) return false;
  if (state.link === 'lost') return true;
  const turns = apu.phase === 'STARTING' || apu.phase === 'AVAILABLE';
  return Number.isFinite(heardAt) && now - heardAt > (turns ? SILENT_MS : SILENT_AT_REST_MS);
}
