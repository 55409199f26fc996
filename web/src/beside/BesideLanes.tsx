import { useMemo } from 'react';
import type { SampleRow, Schemas } from '../api/client';
import { LaneChart } from '../start/LaneChart';
import lanes from '../start/Lanes.module.css';
import { apartWords, signed } from './besideWords';
import { drawnBands } from '../start/drawnBands';
import styles from './BesidePage.module.css';

const HEIGHTS = [96, 170, 70, 70, 90];
const NO_FORECAST: number[] = [];

/** Both on one time axis that begins with the starter, and how far they lay apart. */
export function BesideLanes({ beside }: { beside: Schemas['Beside'] }) {
  const { sheet, one, other, band } = beside;
  const samples = one.samples as SampleRow[];
  const others = useMemo(() => (other?.samples ?? []) as SampleRow[], [other]);
  const bands = useMemo(() => drawnBands(band), [band]);
  const last = Math.max(samples.at(-1)?.[0] ?? 0, others.at(-1)?.[0] ?? 0) / 1000;
  const span = Math.max(15, Math.ceil(last / 15) * 15);
  return (
    <div className={styles.lanes}>
      {sheet.lanes.map((lane, index) => {
        const apart = beside.apart.find((one) => one.parameter === lane.parameter);
        const drawn = bands[lane.parameter];
        const inBand = drawn !== undefined;
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
              band={drawn}
              other={other ? others : undefined}
              still
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
