import { useQuery } from '@tanstack/react-query';
import { answered, api, type Schemas } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { shown } from '../ui/number';
import styles from './ExpectedStrip.module.css';

type Range = Schemas['Range'];

/** One strip before the starter: what to expect of this engine today, and what to do about it. */
export function ExpectedStrip({ engine, hardToSee }: { engine: number; hardToSee: string | undefined }) {
  const { expected } = useExpected(engine);
  const cells = expected ? ranges(expected.expected) : [];
  return (
    <section className={styles.strip} aria-label="What to expect today">
      {cells.map((cell) => (
        <span key={cell.words}>
          <b>{cell.value}</b> <small>{cell.words}</small>
        </span>
      ))}
      {cells.length === 0 && (
        <span>
          <small>No starts of this engine are on record yet.</small>
        </span>
      )}
      {expected?.expected.advice.map((advice) => (
        <p key={advice} className={styles.advice}>
          ! {advice}
        </p>
      ))}
      {hardToSee && <p className="small">{hardToSee}</p>}
    </section>
  );
}

export function useExpected(engine: number) {
  const { page, state } = useDeparture();
  const query = useQuery({
    queryKey: ['expected', page.id, engine, state.view.seq],
    queryFn: () =>
      answered(api.GET('/api/departures/{id}/starts/{engine}/expected', { params: { path: { id: page.id, engine } } })),
    placeholderData: (before) => before,
  });
  return { expected: query.data };
}

export function span(range: { lowest: number; highest: number }, decimals: number): string {
  return `${shown(range.lowest, decimals)} to ${shown(range.highest, decimals)}`;
}

export function ranges(expected: Schemas['Expected']): { words: string; value: string }[] {
  const cell = (range: Range | undefined, words: string, decimals: number, unit: string) =>
    range
      ? [
          {
            words: `${words}, last ${range.starts}: ${span(range, decimals)}`,
            value: `${shown(range.median, decimals)} ${unit}`,
          },
        ]
      : [];
  return [
    ...cell(expected.dip_v, 'dip', 1, 'V'),
    ...cell(expected.motoring_pct, 'motoring', 0, '%'),
    ...cell(expected.timeToLight_s, 'to light', 1, 's'),
    ...cell(expected.peak_c, 'peak', 0, '°C'),
    ...cell(expected.timeToIdle_s, 'to idle', 0, 's'),
  ];
}
