import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { shown } from '../ui/number';
import styles from './ExpectedStrip.module.css';

type Range = Schemas['Range'];

const LOOKED_AGAIN_MS = 2000;

/** One strip before the starter: what to expect of this engine today, and what to do about it. */
export function ExpectedStrip({ engine, hardToSee }: { engine: number; hardToSee: string | undefined }) {
  const { expected } = useExpected(engine, true);
  const cells = expected ? cellsOf(expected.expected) : [];
  const air = expected?.air;
  return (
    <section className={styles.strip} aria-label="What to expect today">
      {(air || hardToSee) && (
        <p className={air?.wrong ? styles.advice : styles.air}>
          {air && `${air.wrong ? '! ' : ''}${air.says}${air.says.endsWith('?') ? '' : '.'}`}
          {[...(air?.notes ?? []), ...(hardToSee ? [hardToSee] : [])].map((note) => (
            <small key={note}> {note}</small>
          ))}
        </p>
      )}
      {cells.map((cell, i) => (
        <span key={cell.words} className={styles.cell}>
          <b>{cell.value}</b> <small>{cell.words}</small>
          {cell.because !== cells[i - 1]?.because && <small className={styles.because}>{cell.because}</small>}
        </span>
      ))}
      {cells.length === 0 && (
        <span>
          <small>No starts of this engine are on record yet.</small>
        </span>
      )}
      {expected?.lost.map((said) => (
        <p key={said} className={styles.air}>
          {said}
        </p>
      ))}
      {expected?.lost.length === 0 && <WhichFirst />}
      {expected?.expected.advice.map((advice) => (
        <p key={advice} className={styles.advice}>
          ! {advice}
        </p>
      ))}
    </section>
  );
}

/** Which engine goes first, what speaks for it, and what the other choice would change; folded until it is asked. */
function WhichFirst() {
  const { page, state } = useDeparture();
  const { data } = useQuery({
    queryKey: ['order', page.id, state.view.seq],
    queryFn: () => answered(api.GET('/api/departures/{id}/starts/order', { params: { path: { id: page.id } } })),
    placeholderData: (before) => before,
  });
  const order = data?.order;
  if (!order) return null;
  return (
    <details className={styles.order}>
      <summary>Engine {order.today.engine} first. Why, and what would the other choice change?</summary>
      <p>{order.today.means.join(' ')}</p>
      {order.instead.map((other) => (
        <p key={other.engine}>
          <b>Engine {other.engine} first instead:</b> {other.means.join(' ')}
        </p>
      ))}
      <small>{order.source}</small>
    </details>
  );
}

/** @param waits whether the supply is still looked at, as it is read now */
export function useExpected(engine: number, waits: boolean) {
  const { page, state } = useDeparture();
  const live = state.view.feed !== undefined && state.view.feed.lostAt === undefined;
  const query = useQuery({
    queryKey: ['expected', page.id, engine, state.view.seq],
    queryFn: () =>
      answered(api.GET('/api/departures/{id}/starts/{engine}/expected', { params: { path: { id: page.id, engine } } })),
    placeholderData: (before) => before,
    refetchInterval: waits && live ? LOOKED_AGAIN_MS : false,
  });
  return { expected: query.data };
}

export function span(range: { lowest: number; highest: number }, decimals: number): string {
  return `${shown(range.lowest, decimals)} to ${shown(range.highest, decimals)}`;
}

export interface Cell {
  words: string;
  value: string;
  because: string;
}

export function cellsOf(expected: Schemas['Expected']): Cell[] {
  const cell = (range: Range | undefined, words: string, decimals: number, unit: string): Cell[] =>
    range
      ? [
          {
            words: range.starts > 1 ? `${words}, ${span(range, decimals)}` : words,
            value: `${shown(range.median, decimals)} ${unit}`,
            because: range.because,
          },
        ]
      : [];
  return [
    ...cell(expected.dip_v, 'dip', 1, 'V'),
    ...(expected.resistance
      ? [
          {
            words: 'battery against a new one',
            value: `${shown(expected.resistance.ofNew, 2)} R`,
            because: `${shown(expected.resistance.today_mohm, 1)} mΩ today, by ${expected.resistance.starts} starts`,
          },
        ]
      : []),
    ...(expected.alone
      ? [
          {
            words: 'highest on the starter',
            value: `${shown(expected.alone.spool_pct, 0)} %`,
            because: expected.alone.because,
          },
        ]
      : []),
    ...cell(expected.timeToLight_s, 'to light', 1, 's'),
    ...cell(expected.peak_c, 'peak', 0, '°C'),
    ...cell(expected.timeToIdle_s, 'to idle', 0, 's'),
  ];
}
