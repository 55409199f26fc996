import { useEffect, useRef } from 'react';
import type { ClockView } from '../api/client';
import { useServerNow } from '../live/useServerNow';
import { countdown, inWords, isoDuration, utc } from '../ui/time';
import clockStyles from '../ui/Clock.module.css';
import styles from './ClocksRail.module.css';
import { Colleague } from './Colleague';
import { useDeparture, useEngines } from '../live/departureContext';
import { startClocks } from '../start/startClock';
import { StartClocks } from '../start/StartClocks';
import { useMonotonic } from '../live/useMonotonic';
import { hasRunOut, runningOut, type RunningOut } from './runningOut';
import { playTone } from './useSound';

const OPEN_ONES_SHOWN = 2;

/** Every running clock, soonest first, with what it releases; then those that have run out; then the other person.
    `quiet` (default false): opens without a tone, for a second copy on the page. */
export function ClocksRail({ quiet = false }: { quiet?: boolean }) {
  const { state } = useDeparture();
  const engines = useEngines();
  const now = useServerNow();
  const running = state.view.clocks.filter((clock) => clock.counts === 'UP' || ends(clock) > now);
  const open = state.view.clocks
    .filter((clock) => clock.counts === 'DOWN' && ends(clock) <= now)
    .sort((a, b) => ends(b) - ends(a));
  const late = state.view.clocks.filter((clock) => clock.counts === 'WINDOW' && ends(clock) <= now);
  const monotonic = useMonotonic();
  const closed = state.view.lifecycle === 'SIGNED' || state.view.lifecycle === 'ABANDONED';
  const starting = closed ? [] : Object.values(engines).flatMap((engine) => startClocks(engine, monotonic));
  useToneWhenOpened(state.view.clocks, now, quiet);
  return (
    <>
      <h2 className={styles.heading}>Clocks and gates</h2>
      <StartClocks clocks={starting} />
      {running.length === 0 && starting.length === 0 && <p className="small">No clock runs.</p>}
      {late.map((clock) => (
        <div key={clock.id} className={styles.late} role="status">
          <b>
            ! {sentence(clock.releases)}, late by {countdown(now - ends(clock))}
          </b>
          <div className="small">
            {clock.label} was {utc(clock.opensAt ?? '', true)}. {clock.note} Everything after it moves by as much.
          </div>
          <div className="small">{clock.source}</div>
        </div>
      ))}
      {running.map((clock) => (
        <Running key={clock.id} clock={clock} now={now} />
      ))}
      {open.slice(0, OPEN_ONES_SHOWN).map((clock) => (
        <div key={clock.id} className={styles.opened} data-fresh={now - ends(clock) < 5000 || undefined}>
          <span aria-hidden="true">✓</span> <b>{sentence(clock.releases)}</b>
          <div className="small">since {utc(clock.opensAt ?? '', true)}</div>
        </div>
      ))}
      <Colleague />
    </>
  );
}

/** Its end, ms; endless for one that counts up. */
function ends(clock: ClockView): number {
  return clock.opensAt ? Date.parse(clock.opensAt) : Number.POSITIVE_INFINITY;
}

const HOUR_MS = 3_600_000;

/** What takes hours is told in words: nobody counts its seconds. */
function digits(ms: number): string {
  return ms < HOUR_MS ? countdown(ms) : inWords(ms);
}

function Running({ clock, now }: { clock: ClockView; now: number }) {
  const since = now - Date.parse(clock.startedAt);
  const left = ends(clock) - now;
  const length = clock.duration ? isoDuration(clock.duration) : 0;
  const share = length > 0 ? Math.min(1, Math.max(0, 1 - left / length)) : 1;
  return (
    <div className={clockStyles.clock}>
      <div className={clockStyles.time} aria-hidden="true">
        {digits(clock.counts === 'UP' ? Math.floor(since / 1000) * 1000 : left)}
        {clock.counts !== 'DOWN' && <small>{clock.counts === 'UP' ? ' so far' : ' left'}</small>}
      </div>
      <div>{sentence(clock.releases)}</div>
      <div className="small">
        {clock.label},{' '}
        {clock.counts === 'WINDOW' && clock.opensAt
          ? `until ${utc(clock.opensAt, true)}`
          : `since ${utc(clock.startedAt, true)}`}
        {clock.counts === 'DOWN' && `, needs ${countdown(length)}`}. {clock.note}
      </div>
      {clock.counts !== 'UP' && (
        <div className={clockStyles.bar} aria-hidden="true">
          <i style={{ width: `${share * 100}%` }} />
        </div>
      )}
      <div className="small">{clock.source}</div>
    </div>
  );
}

function sentence(words: string): string {
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/**
 * Sounds once for each clock that runs out while the page is up, also where the clock itself is gone with its end. One
 * that is taken back before its end does not sound.
 */
function useToneWhenOpened(clocks: ClockView[], now: number, quiet: boolean): void {
  const waiting = useRef<RunningOut>(new Map());
  useEffect(() => {
    if (hasRunOut(waiting.current, now) && !quiet) playTone();
    waiting.current = runningOut(clocks, now);
  }, [clocks, now, quiet]);
}
