import { Link } from 'react-router';
import { useServerNow } from '../live/useServerNow';
import { startClocks } from '../start/startClock';
import { useMonotonic } from '../live/useMonotonic';
import { Key } from '../ui/Key';
import { ThemeSwitch } from '../ui/ThemeSwitch';
import { countdown, isoDuration, slack, toGo, utc } from '../ui/time';
import type { Sheet } from './Desk';
import { useDeparture, useEngines } from '../live/departureContext';
import styles from './Ribbon.module.css';
import { useNoSound } from './useSound';

const ROLE = { FLYING: 'flying', MONITORING: 'monitoring' } as const;
const LINK = { connecting: 'Connecting', live: 'Live', lost: 'No link' } as const;

/** Who, where, how much time, and whether the link stands; the same on every page of a departure. */
export function Ribbon({ open }: { open: (sheet: Sheet) => void }) {
  const { page, state, mine, person, other } = useDeparture();
  const engines = useEngines();
  const now = useServerNow();
  const noSound = useNoSound();
  const { view } = state;
  const devices = Math.max(1, state.devices);
  const left = view.lifecycle === 'OFF_BLOCK' || view.lifecycle === 'SIGNED' || view.lifecycle === 'ABANDONED';
  const monotonic = useMonotonic();
  const closed = view.lifecycle === 'SIGNED' || view.lifecycle === 'ABANDONED';
  const starting = closed ? [] : Object.values(engines).flatMap((engine) => startClocks(engine, monotonic));
  const gate = view.clocks.find((clock) => clock.counts === 'DOWN' && Date.parse(clock.opensAt ?? '') > now);
  // A starter's own time comes before any gate's.
  const soonest =
    starting.find((clock) => clock.share !== null) ??
    (gate ? { ms: Date.parse(gate.opensAt ?? '') - now, words: gate.label } : starting[0]);
  return (
    <header className={styles.ribbon}>
      <Link to="/" className={styles.brand} aria-label="Skelda, go to Today">
        Skelda
      </Link>
      <button type="button" className={`${styles.cell} ${styles.narrowThread}`} onClick={() => open('thread')}>
        <b>Steps</b>
        <small>all procedures</small>
      </button>
      <span className={styles.cell}>
        <b>{page.tail}</b>
        <small>
          {page.kind === 'REHEARSAL' ? 'Rehearsal, ' : ''}
          {page.typeName}, stand {page.stand}
        </small>
      </span>
      <span className={`${styles.cell} ${styles.optional}`}>
        <b>
          {page.from} to {page.to}
        </b>
        <small>flight {page.flight}</small>
      </span>
      <button type="button" className={styles.cell} onClick={() => open('seats')}>
        <b>
          <span className={styles.wide}>{person.name}, </span>
          {mine ? `${mine.seat.toLowerCase()}, ${ROLE[mine.role]}` : 'no seat'} <Key name="S" />
        </b>
        <small>{other ? `${other.person.name}, ${other.seat.toLowerCase()}` : 'the other seat is free'}</small>
      </button>
      <button type="button" className={styles.cell} onClick={() => open('abnormal')}>
        <b>
          Abnormal <Key name="Q" />
        </b>
        <small className={styles.wide}>something is wrong</small>
      </button>
      <span className={styles.gap} />
      <span className={styles.cell}>
        <b>
          <span className={styles.roomy}>Off-block </span>
          {utc(page.offBlock)}
        </b>
        <small>
          {view.lifecycle === 'OFF_BLOCK' ? 'left its stand' : left ? 'closed' : toGo(Date.parse(page.offBlock) - now)}
        </small>
      </span>
      {view.inHand && !left && <InHand clock={view.inHand.clock} slackMs={slackNow(view, now)} />}
      <button type="button" className={`${styles.cell} ${styles.narrow}`} onClick={() => open('clocks')}>
        <b>{soonest ? countdown(soonest.ms) : 'Clocks'}</b>
        <small className={soonest ? styles.told : undefined}>{soonest?.words ?? 'none runs'}</small>
      </button>
      <span className={styles.cell} data-link={state.link} role="status">
        <b className={styles.link}>
          {state.link === 'lost' ? '✕ ' : ''}
          {LINK[state.link]}
        </b>
        <small className={state.link === 'lost' ? styles.told : undefined}>
          {state.link === 'lost'
            ? 'trying again'
            : `${devices} ${devices === 1 ? 'device' : 'devices'}${noSound ? `, sound ${noSound}` : ''}`}
        </small>
      </span>
      <span className={styles.theme}>
        <ThemeSwitch />
      </span>
    </header>
  );
}

/** A clock that runs keeps its slack; one that was not started loses a second each second. */
function slackNow(view: ReturnType<typeof useDeparture>['state']['view'], now: number): number {
  if (!view.inHand) return 0;
  const atView = isoDuration(view.inHand.slack);
  return view.inHand.running ? atView : atView - (now - Date.parse(view.at));
}

function InHand({ clock, slackMs }: { clock: string; slackMs: number }) {
  return (
    <span className={styles.cell} data-late={slackMs < 0 || undefined}>
      <b className={styles.inHand}>
        {slackMs < 0 ? '! ' : ''}
        {slack(slackMs)}
      </b>
      <small>{clock.split(',')[0]} decides</small>
    </span>
  );
}
