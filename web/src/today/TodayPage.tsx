import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answered, api, type TodayRow } from '../api/client';
import { PageHead } from '../people/PageHead';
import { countdown, toGo, utc } from '../ui/time';
import { useServerNow } from '../live/useServerNow';
import { OpeningForm } from './OpeningForm';
import styles from './TodayPage.module.css';

const POLL_MS = 5000;
const STATES: Record<TodayRow['lifecycle'], string> = {
  PLANNED: 'Planned',
  WORKING: 'In work',
  OFF_BLOCK: 'Off block',
  SIGNED: 'Signed',
  ABANDONED: 'Given up',
};

/** The day's departures, and what each waits for. */
export function TodayPage() {
  const today = useQuery({
    queryKey: ['today'],
    queryFn: () => answered<TodayRow[]>(api.GET('/api/departures')),
    refetchInterval: POLL_MS,
  });
  const now = useServerNow();
  return (
    <div className={styles.page}>
      <PageHead title="Today">
        <span className={styles.now}>{utc(now)}</span>
      </PageHead>
      <main>
        {today.isError && (
          <p role="alert" className={styles.wrong}>
            The list cannot be read now. It is asked for again every few seconds.
          </p>
        )}
        {today.data?.length === 0 && (
          <p className={styles.empty}>No departures today. They appear here once one is opened for your operator.</p>
        )}
        {today.data && today.data.length > 0 && (
          <table className={styles.table}>
            <caption className="unseen">Departures of today by off-block time</caption>
            <thead>
              <tr>
                <th scope="col">Off-block</th>
                <th scope="col">Flight</th>
                <th scope="col">Aircraft</th>
                <th scope="col">State</th>
                <th scope="col">Waits for</th>
                <th scope="col">Crew</th>
              </tr>
            </thead>
            <tbody>
              {today.data.map((row) => (
                <Departure key={row.id} row={row} now={now} />
              ))}
            </tbody>
          </table>
        )}
        <OpeningForm />
        <p className={styles.foot}>
          Skelda is an aid. The approved manuals, the operator’s procedures and the licensed crew have the last word.
        </p>
      </main>
    </div>
  );
}

function Departure({ row, now }: { row: TodayRow; now: number }) {
  const closed = row.lifecycle === 'SIGNED' || row.lifecycle === 'ABANDONED';
  const wait = row.waitsFor.opensAt
    ? `${row.waitsFor.text}, ${countdown(Date.parse(row.waitsFor.opensAt) - now)}`
    : row.waitsFor.text;
  return (
    <tr className={styles.row} data-closed={closed || undefined}>
      <td>
        <b className={styles.time}>{utc(row.offBlock)}</b>
        <small>{closed ? '' : toGo(Date.parse(row.offBlock) - now)}</small>
      </td>
      <td>
        <Link
          to={`/departures/${row.id}`}
          className={styles.open}
          aria-label={`Flight ${row.flight}, ${row.from} to ${row.to}`}
        >
          <b>
            {row.from} to {row.to}
          </b>
          <small>flight {row.flight}</small>
        </Link>
      </td>
      <td>
        <b>{row.tail}</b>
        <small>
          {row.typeName}, stand {row.stand}
        </small>
      </td>
      <td>
        <b>{STATES[row.lifecycle]}</b>
        {row.kind === 'REHEARSAL' && <small>rehearsal</small>}
        <small>
          {row.done} of {row.total} lines
        </small>
      </td>
      <td>{wait}</td>
      <td>
        {row.seats.length === 0 ? (
          <span className="quiet">both seats free</span>
        ) : (
          row.seats.map((seat) => (
            <small key={seat.seat} className={styles.seat}>
              {seat.person.name}, {seat.seat.toLowerCase()}
            </small>
          ))
        )}
      </td>
    </tr>
  );
}
