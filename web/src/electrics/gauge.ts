import type { Schemas } from '../api/client';
import type { LiveState } from '../live/liveState';
import { shown } from '../ui/number';

/** Older than this, a reading is none of now. */
const FRESH_MS = 3000;

/** What a feed tells of the aircraft's instruments. */
export type Instruments = Pick<LiveState, 'power' | 'engines' | 'sheet'>;

/**
 * What the instrument of a measured line shows now, as the crew would type it; null when no feed tells it.
 *
 * @param now on the page's monotonic clock
 */
export function gaugeShows(
  measure: Schemas['MeasureSpec'] | undefined,
  instruments: Instruments,
  now: number,
): string | null {
  if (!measure?.gauge) return null;
  const value =
    measure.gauge.quantity === 'FAN' ? fastestFan(instruments, now) : ofSource(measure.gauge, instruments, now);
  return value === null ? null : shown(value, measure.decimals);
}

function ofSource({ source, quantity }: Schemas['Gauge'], { power }: Instruments, now: number): number | null {
  if (now - power.heardAt > FRESH_MS) return null;
  const read = power.sources[source];
  return (quantity === 'VOLTAGE' ? read?.voltage_V : read?.current_A) ?? null;
}

/** N1 of the engine that pushes most. */
function fastestFan({ engines, sheet }: Instruments, now: number): number | null {
  const lane = sheet?.lanes.findIndex((one) => one.parameter === 'FAN') ?? -1;
  const fans = Object.values(engines)
    .filter((engine) => lane >= 0 && now - engine.heardAt <= FRESH_MS)
    .map((engine) => engine.samples.at(-1)?.[1 + lane])
    .filter((fan) => typeof fan === 'number');
  return fans.length === 0 ? null : Math.max(...fans);
}
