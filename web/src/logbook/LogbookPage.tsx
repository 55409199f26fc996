import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answered, api, type Schemas } from '../api/client';
import { outcomeWords } from '../start/startWords';
import { PageHead } from '../people/PageHead';
import { isoDuration, utc } from '../ui/time';
import styles from '../trace/TracesPage.module.css';

/** Signed departures, the newest first, with what became of their starts. */
export function LogbookPage() {
  const logbook = useQuery({ queryKey: ['logbook'], queryFn: () => answered(api.GET('/api/logbook')) });
  const before = useQuery({ queryKey: ['logbook-starts'], queryFn: () => answered(api.GET('/api/logbook/starts')) });
  return (
    <div className={styles.page}>
      <PageHead title="Logbook" />
      <main>
        {logbook.isError && (
          <p role="alert" className={styles.wrong}>
            The logbook cannot be read now. Reload the page to try again.
          </p>
        )}
        {logbook.data?.length === 0 && (
          <p className={styles.empty}>Nothing is signed yet. A departure comes here once its record is signed.</p>
        )}
        {logbook.data && logbook.data.length > 0 && (
          <table className={styles.table}>
            <caption className="unseen">Signed departures with their starts</caption>
            <thead>
              <tr>
                <th scope="col">Signed</th>
                <th scope="col">Flight</th>
                <th scope="col">Aircraft</th>
                <th scope="col">Crew</th>
                <th scope="col">Starts</th>
                <th scope="col">Record</th>
              </tr>
            </thead>
            <tbody>
              {logbook.data.map((row) => (
                <Row key={row.id} row={row} />
              ))}
            </tbody>
          </table>
        )}
        {before.data && before.data.length > 0 && <StartsBefore starts={before.data} />}
      </main>
    </div>
  );
}

function Row({ row }: { row: Schemas['LogbookRow'] }) {
  return (
    <tr>
      <td>
        <b>{row.signedAt.slice(0, 10)}</b>
        <small>{utc(row.signedAt)}</small>
      </td>
      <td>
        <Link to={`/departures/${row.id}`}>
          <b>
            {row.from} to {row.to}
          </b>
        </Link>
        <small>
          {row.kind === 'REHEARSAL' ? 'rehearsal, ' : ''}flight {row.flight}
        </small>
      </td>
      <td>
        {row.tail}
        <small>{row.typeName}</small>
      </td>
      <td>
        {row.crew.map((name) => (
          <small key={name}>{name}</small>
        ))}
      </td>
      <td>
        {row.starts.length === 0 && <small>none watched</small>}
        {row.starts.map((start) => (
          <small key={`${start.engine} ${start.number}`}>
            {start.summary && !start.tapped ? (
              <Link to={`/departures/${row.id}/starts/${start.engine}/${start.number}`}>
                Engine {start.engine}, attempt {start.number}
              </Link>
            ) : (
              `Engine ${start.engine}, attempt ${start.number}${start.tapped ? ', tapped' : ''}`
            )}
            : {start.summary ? figures(start.summary) : 'not ended'}
          </small>
        ))}
      </td>
      <td>
        <a href={`/api/departures/${row.id}/record`} download>
          JSON
        </a>
      </td>
    </tr>
  );
}

/** Starts from before departures were kept here: what the next ones are expected by. */
function StartsBefore({ starts }: { starts: Schemas['StartBefore'][] }) {
  return (
    <>
      <h2 className={styles.heading}>Starts before</h2>
      <table className={styles.table}>
        <caption className="unseen">Starts from before departures were kept here</caption>
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Aircraft</th>
            <th scope="col">Engine</th>
            <th scope="col">Outcome</th>
            <th scope="col">Peak</th>
            <th scope="col">Light-off</th>
            <th scope="col">Idle</th>
            <th scope="col">Dip</th>
          </tr>
        </thead>
        <tbody>
          {starts.map((start) => (
            <tr key={start.id}>
              <td>
                <Link to={`/beside/before.${start.id}`}>
                  {start.startedAt.slice(0, 10)} {utc(start.startedAt)}
                </Link>
              </td>
              <td>{start.tail}</td>
              <td>{start.engine}</td>
              <td>{outcomeWords(start.outcome)}</td>
              <td>{start.peak_c === undefined ? '' : `${start.peak_c.toFixed(0)} °C`}</td>
              <td>{start.timeToLight_s === undefined ? '' : `${start.timeToLight_s.toFixed(1)} s`}</td>
              <td>{start.timeToIdle_s === undefined ? '' : `${start.timeToIdle_s.toFixed(0)} s`}</td>
              <td>{start.dip_v === undefined ? '' : `${start.dip_v.toFixed(1)} V`}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function figures(summary: Schemas['AttemptSummary']): string {
  const seconds = (text: string | undefined) => (text ? (isoDuration(text) / 1000).toFixed(1) : null);
  return [
    outcomeWords(summary.outcome),
    summary.peak_c !== undefined && `peak ${summary.peak_c.toFixed(0)} °C`,
    seconds(summary.timeToLightOff) && `light-off ${seconds(summary.timeToLightOff)} s`,
    seconds(summary.timeToIdle) && `idle ${seconds(summary.timeToIdle)} s`,
    summary.dip_v !== undefined && `dip ${summary.dip_v.toFixed(1)} V`,
  ]
    .filter(Boolean)
    .join(', ');
}
