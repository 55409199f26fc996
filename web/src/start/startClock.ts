import type { EngineLive } from '../live/liveState';
import { serverClock } from '../live/useServerNow';
import { isoDuration } from '../ui/time';

/** A clock of an engine that is being started. `share`: how much of its time is used, for one that runs out. */
export interface StartClock {
  ms: number;
  words: string;
  share: number | null;
}

/** Since the starter, how long it may stay on, and how long it cools. @param now on the page's monotonic clock */
export function startClocks(live: EngineLive, now: number): StartClock[] {
  const { view } = live;
  const newest = view.taps ? Date.parse(view.at) : live.samples.at(-1)?.[0];
  if (!newest || !view.startedAt) return [];
  // Time on the feed's own clock: the newest reading, or the server's word of a tapped start, and what has passed on
  // the page since it came.
  const feedNow = newest + (now - live.heardAt) * serverClock.speed();
  const since = feedNow - Date.parse(view.startedAt);
  const cools = Date.parse(view.duty.allowedAt) - feedNow;
  const starter = view.name.replace('Engine', 'Starter');
  const clocks: StartClock[] = [];
  if (view.running) clocks.push({ ms: Math.max(0, since - 999), words: `${view.name}, since starter`, share: null });
  if (view.starterOnSince) {
    const left = isoDuration(view.duty.mayLast) - (since - isoDuration(view.starterOnSince));
    clocks.push({ ms: left, words: `${starter} may stay on`, share: 1 - left / isoDuration(view.duty.mayLast) });
  } else if (cools > 0) {
    const another = !view.script.some((step) => step.act === 'MAINTENANCE');
    clocks.push({
      ms: cools,
      words: !another ? `${starter} cools` : `${starter} cools, then try ${view.duty.number} of ${view.duty.of}`,
      share: null,
    });
  }
  return clocks;
}
