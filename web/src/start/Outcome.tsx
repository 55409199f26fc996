import type { EngineLive } from '../live/liveState';
import { useDeparture } from '../live/departureContext';
import { Link } from 'react-router';
import { isoDuration } from '../ui/time';
import { shown } from '../ui/number';
import { span, useExpected } from './ExpectedStrip';
import styles from './ExpectedStrip.module.css';
import { outcomeWords } from './startWords';

/** A finished start: what came of it, expected against got, and its trace. */
export function Outcome({ engine, live }: { engine: number; live: EngineLive }) {
  const { page, state } = useDeparture();
  const { expected } = useExpected(engine);
  const record = state.view.starts.filter((start) => start.engine === engine).at(-1);
  const summary = record?.summary;
  if (!record || !summary) return null;
  const seconds = (text: string | undefined) => (text ? isoDuration(text) / 1000 : undefined);
  const rows = [
    {
      words: 'to light',
      unit: 's',
      got: seconds(summary.timeToLightOff),
      range: expected?.expected.timeToLight_s,
      decimals: 1,
    },
    { words: 'peak', unit: '°C', got: summary.peak_c, range: expected?.expected.peak_c, decimals: 0 },
    {
      words: 'to idle',
      unit: 's',
      got: seconds(summary.timeToIdle),
      range: expected?.expected.timeToIdle_s,
      decimals: 0,
    },
    { words: 'dip', unit: 'V', got: summary.dip_v, range: expected?.expected.dip_v, decimals: 1 },
  ].filter((row) => row.got !== undefined);
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
            <a href={`/api/departures/${page.id}/starts/${engine}/${record.number}/trace`} download>
              Trace as CSV
            </a>
          </>
        )}
      </p>
      {rows.map((row) => (
        <span key={row.words}>
          <b>
            {shown(row.got ?? 0, row.decimals)} {row.unit}
          </b>{' '}
          <small>
            {row.words}
            {row.range ? `, usually ${span(row.range, row.decimals)}${outside(row.got ?? 0, row.range)}` : ''}
          </small>
        </span>
      ))}
    </section>
  );
}

function outside(got: number, range: { lowest: number; highest: number }): string {
  return got < range.lowest ? ', lower than before' : got > range.highest ? ', higher than before' : '';
}
