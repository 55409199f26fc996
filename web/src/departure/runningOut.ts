import type { ClockView } from '../api/client';

/** Clocks that run: their names with the moment at which each runs out, ms. */
export type RunningOut = ReadonlyMap<string, number>;

/** Those of a view that run. One that is begun anew has another name. */
export function runningOut(clocks: ClockView[], now: number): RunningOut {
  return new Map(
    clocks
      // What counts up has no end, and the end of a window allows nothing.
      .filter((clock) => clock.counts === 'DOWN')
      .map((clock): [string, number] => [`${clock.id} ${clock.startedAt}`, Date.parse(clock.opensAt ?? '')])
      .filter(([, opensAt]) => opensAt > now),
  );
}

/** Whether one that ran has run out since, also where the clock itself is gone with its end. */
export function hasRunOut(before: RunningOut, now: number): boolean {
  return [...before.values()].some((opensAt) => opensAt <= now);
}
