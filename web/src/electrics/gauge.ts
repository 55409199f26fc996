import type { Schemas } from '../api/client';
import type { LiveState } from '../live/liveState';
import { shown } from '../ui/number';

/** Older than this, a reading is none of now. */
const FRESH_MS = 3000;

/**
 * What the instrument of a measured line shows now, as the crew would type it; null when no feed tells it.
 *
 * @param now on the page's monotonic clock
 */
export function gaugeShows(
  measure: Schemas['MeasureSpec'] | undefined,
  power: LiveState['power'],
  now: number,
): string | null {
  if (!measure?.gauge || now - power.heardAt > FRESH_MS) return null;
  const source = power.sources[measure.gauge.source];
  const value = measure.gauge.quantity === 'VOLTAGE' ? source?.voltage_V : source?.current_A;
  return value === undefined || value === null ? null : shown(value, measure.decimals);
}
