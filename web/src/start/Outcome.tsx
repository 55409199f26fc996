import type { EngineLive } from '../live/liveState';
import { useDeparture } from '../live/departureContext';
import { Link } from 'react-router';
import { shown } from '../ui/number';
import { span, useExpected } from './ExpectedStrip';
import styles from './ExpectedStrip.module.css';
import { outcomeWords } from './startWords';

/** A finished start: what came of it, expected against got, and its trace. */
export function Outcome({ engine, live }: { engine: number; live: EngineLive }) {
  const { page, state } = useDeparture();
  const { expected } = useExpected(engine, false);
  const record = state.view.starts.filter((start) => start.engine === engine).at(-1);
  if (!record?.summary) return null;
  const rows = expected?.compared ?? [];
  return (
    <section className={styles.strip} aria-label="Expected against got">
      <p className="small">
        <b>
          Attempt {record.number}: {outcomeWords(live.view.outcome ?? '')}.
        </b>{' '}
        {record.tapped ? (
          <>As you tapped it.{live.view.taps?.peakNote && ` Peak ${live.view.taps.peakNote} °C.`}</>
        ) : (
          <>
            <Link to={`/departures/${page.id}/starts/${engine}/${record.number}`}>Replay</Link>{' '}
            <Link to={`/beside/departure.${page.id}.${engine}.${record.number}`}>Beside the last ten</Link>{' '}
            <a href={`/api/departures/${page.id}/starts/${engine}/${record.number}/trace`} download>
              Trace as CSV
            </a>
          </>
        )}
      </p>
      {rows.map((row) => (
        <span key={row.what}>
          <b>
            {shown(row.got, row.decimals)} {row.unit}
          </b>{' '}
          <small>
            {row.what}
            {row.expected && `, usually ${span(row.expected, row.decimals)}`}
          </small>
        </span>
      ))}
      {rows
        .filter((row) => row.says)
        .map((row) => (
          <p key={row.what} className={styles.advice}>
            ! {row.says}
          </p>
        ))}
    </section>
  );
}
