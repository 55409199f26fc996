import type { EngineLive } from '../live/liveState';
import { useDeparture } from '../departure/departureContext';
import styles from '../departure/ClocksRail.module.css';
import { countdown, isoDuration } from '../ui/time';
import { serverClock } from '../live/useServerNow';
import { useMonotonic } from './useMonotonic';

/** The clocks of engines that are being started: since the starter, how long it may stay on, and how long it cools. */
export function StartClocks() {
  const { state } = useDeparture();
  const now = useMonotonic();
  return Object.values(state.engines).map((live) => <EngineClocks key={live.view.engine} live={live} now={now} />);
}

function EngineClocks({ live, now }: { live: EngineLive; now: number }) {
  const { view } = live;
  const newest = view.taps ? Date.parse(view.at) : live.samples.at(-1)?.[0];
  if (!newest || !view.startedAt) return null;
  // Time on the feed's own clock: the newest reading, or the server's word of a tapped start, and what has passed on the page since it came.
  const feedNow = newest + (now - live.heardAt) * serverClock.speed();
  const cools = Date.parse(view.duty.allowedAt) - feedNow;
  const since = feedNow - Date.parse(view.startedAt);
  const left = view.starterOnSince ? isoDuration(view.duty.mayLast) - (since - isoDuration(view.starterOnSince)) : 0;
  return (
    <>
      {view.running && <One time={countdown(Math.max(0, since - 999))} words={`Engine ${view.engine}, since starter`} share={null} />}
      {view.starterOnSince && <One time={countdown(left)} words={`Starter ${view.engine} may stay on`} share={1 - left / isoDuration(view.duty.mayLast)} />}
      {!view.starterOnSince && cools > 0 && <One time={countdown(cools)} words={`Starter ${view.engine} cools, then try ${view.duty.number} of ${view.duty.of}`} share={null} />}
    </>
  );
}

function One({ time, words, share }: { time: string; words: string; share: number | null }) {
  return (
    <div className={styles.clock}>
      <div className={styles.time} aria-hidden="true">{time}</div>
      <div>{words}</div>
      {share !== null && <div className={styles.bar} aria-hidden="true"><i style={{ width: `${Math.min(100, Math.max(0, share * 100))}%` }} /></div>}
    </div>
  );
}
