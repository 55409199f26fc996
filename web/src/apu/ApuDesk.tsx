import type { SampleRow } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { Attach } from '../simulator/Attach';
import { Announcer } from '../ui/Announcer';
import { LadderList } from '../start/LadderList';
import { ApuLanes } from './ApuLanes';
import { ApuNotes } from './ApuNotes';
import { ApuSays } from './ApuSays';
import { ApuTelling } from './ApuTelling';
import { apuLadder, NEXT, type ApuSheet } from './apuWords';
import { Ceilings } from './Ceilings';
import { SimulatedApu } from './SimulatedApu';
import { useApuPage } from './useApuPage';
import { useApuSilent } from './useApuSilent';
import styles from './ApuDesk.module.css';

/**
 * The APU: a hand is on its switches, the eyes on its temperature. What to do now stands first, then what to look for
 * and what is read, then what it may be asked for.
 */
export function ApuDesk() {
  const { page, state, mine } = useDeparture();
  const apuPage = useApuPage(page.id);
  const silent = useApuSilent();
  const apu = state.view.apu;
  if (!apu) return <p>{page.typeName} has no APU.</p>;
  const sheet = apuPage.data?.sheet ?? null;
  const closed = state.view.lifecycle === 'SIGNED' || state.view.lifecycle === 'ABANDONED';
  const simulated = state.view.feed?.simulated === true && state.view.feed.lostAt === undefined;
  return (
    <article className={styles.desk} data-testid="apu-desk">
      <ApuSays apu={apu} silent={silent} />
      <div className={styles.columns}>
        <div>
          <LadderList rungs={apuLadder(apu)} silent={silent} />
          {mine && !closed && !apu.read && <ApuTelling apu={apu} sheet={sheet} />}
          {mine && !closed && !state.view.feed && state.sheet && <Attach />}
          {mine && !closed && simulated && sheet && <SimulatedApu sheet={sheet} />}
        </div>
        <div>
          {sheet && apu.read ? (
            <ApuLanes sheet={sheet} apu={apu} before={(apuPage.data?.samples ?? []) as SampleRow[]} silent={silent} />
          ) : (
            sheet && <Unread sheet={sheet} />
          )}
          {sheet && sheet.modifications.length > 0 && (
            <p className={styles.notes}>
              <b>{sheet.tail} differs:</b> {sheet.modifications.join(' ')}
            </p>
          )}
          <ApuNotes apu={apu} sheet={sheet} />
          {sheet && <Ceilings sheet={sheet} />}
        </div>
      </div>
      {sheet && <Meaning sheet={sheet} />}
      <Announcer text={silent ? "APU: no data. Use the aircraft's gauges." : apu.alarm ? apu.says : ''} />
    </article>
  );
}

/** The limits in words, where nothing reads the temperature. */
function Unread({ sheet }: { sheet: ApuSheet }) {
  return (
    <section className={styles.unread} aria-label="Limits">
      <p>
        <b>No readings of the APU arrive.</b> Watch its own gauges:
      </p>
      <ul>
        {sheet.startLimits.map(({ limit_c, allowed_s }) => (
          <li key={limit_c}>
            {allowed_s === 0
              ? `Above ${limit_c} °C at any time: master OFF.`
              : `Above ${limit_c} °C for longer than ${allowed_s} s in its start: master OFF.`}
          </li>
        ))}
        <li>Running: {sheet.runningMax_c} °C or less; above it take its loads off, then master OFF.</li>
        <li>
          Battery for its start: at least {sheet.battery_min_v} V loaded. {sheet.tries} starts, then a long rest.
        </li>
      </ul>
      <p className="small">{sheet.source}</p>
    </section>
  );
}

/** Why it may stop itself, what each means and what comes next. */
function Meaning({ sheet }: { sheet: ApuSheet }) {
  return (
    <details className={styles.meaning}>
      <summary>When it stops itself: what it means and what comes next</summary>
      <ul>
        {sheet.stops.map((stop) => (
          <li key={stop.why}>
            <b>{stop.label}</b>: {NEXT[stop.next]}
            {stop.inFlight ? '' : '; in flight it is shown, and it goes on running'}
          </li>
        ))}
      </ul>
      <p className="small">The approved manual has the last word. {sheet.source}</p>
    </details>
  );
}
