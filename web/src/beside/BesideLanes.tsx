import { useMemo } from 'react';
import type { SampleRow, Schemas } from '../api/client';
import { LaneChart, type Beside as Behind } from '../start/LaneChart';
import lanes from '../start/Lanes.module.css';
import { apartWords, signed } from './besideWords';
import styles from './BesidePage.module.css';

const HEIGHTS = [96, 170, 70, 70, 90];
const NO_FORECAST: number[] = [];
const US_PER_S = 1e6;

/** Both on one time axis that begins with the starter, and how far they lay apart. */
export function BesideLanes({ beside }: { beside: Schemas['Beside'] }) {
  const { sheet, one, other, band } = beside;
  const samples = one.samples as SampleRow[];
  const others = useMemo(() => (other?.samples ?? []) as SampleRow[], [other]);
  const spreads = band?.spreads;
  const from = (band?.from_us ?? 0) / US_PER_S;
  const step = (band?.step_us ?? 0) / US_PER_S;
  const behind = useMemo(
    () =>
      sheet.lanes.map((lane): Behind => {
        const spread = spreads?.find((candidate) => candidate.parameter === lane.parameter);
        if (!spread) return { samples: others };
        const { lowest, median, highest } = spread as unknown as Record<string, (number | null)[]>;
        return { from, step, lowest: lowest ?? [], median: median ?? [], highest: highest ?? [] };
      }),
    [sheet, spreads, others, from, step],
  );
  const last = Math.max(samples.at(-1)?.[0] ?? 0, others.at(-1)?.[0] ?? 0) / 1000;
  const span = Math.max(15, Math.ceil(last / 15) * 15);
  return (
    <div className={styles.lanes}>
      {sheet.lanes.map((lane, index) => {
        const apart = beside.apart.find((one) => one.parameter === lane.parameter);
        const inBand = spreads?.some((spread) => spread.parameter === lane.parameter) ?? false;
        return (
          <section key={lane.parameter} className={lanes.lane} aria-label={`${lane.label}, ${lane.unit}`}>
            <LaneChart
              sheet={lane}
              samples={samples}
              column={index + 1}
              zero={0}
              span={span}
              height={HEIGHTS[index] ?? 70}
              forecast={NO_FORECAST}
              axis={index === sheet.lanes.length - 1}
              beside={behind[index]}
            />
            <div className={lanes.figure}>
              <span className={lanes.label}>
                {lane.label}, {lane.unit}
              </span>
              {(other || inBand) && (
                <>
                  <b className={lanes.value}>{apart ? signed(apart.by, lane.decimals) : '–'}</b>
                  <small>{apartWords(apart, inBand)}</small>
                </>
              )}
            </div>
          </section>
        );
      })}
      <p className="small">Seconds since the starter. The figure beside each: the widest they lay apart.</p>
    </div>
  );
}
