import type { StartSheet } from '../api/client';
import type { EngineLive } from '../live/liveState';
import { shown } from '../ui/number';
import { isoDuration } from '../ui/time';
import { LaneChart } from './LaneChart';
import type { LastGood } from './useLastGood';
import styles from './Lanes.module.css';

/** Column of each lane's readings in a row of samples, in the sheet's order. */
const FIRST_COLUMN = 1;
const HEIGHTS = [72, 138, 58, 58, 80];
const NARROW_HEIGHTS = [58, 120, 50, 50, 56];
/** One and the same, so that a lane without a forecast is drawn anew only for a new reading. */
const NO_FORECAST: number[] = [];

/** Seconds to a tenth, of a time as the server writes it. */
function tenths_s(time: string): string {
  return (isoDuration(time) / 1000).toFixed(1);
}

/**
 * What is read of a start, against time since the starter, with limits as lines and margins in figures. `among`: the
 * lanes of the type, of which some are shown; `narrow`: beside another engine's; `over`: its
 * engine's last good starts.
 */
export function Lanes({
  sheet,
  live,
  silent,
  among = sheet.lanes,
  narrow = false,
  over,
}: {
  sheet: StartSheet;
  live: EngineLive;
  silent: boolean;
  among?: StartSheet['lanes'];
  narrow?: boolean;
  over?: LastGood;
}) {
  const { view, samples } = live;
  const zero = view.startedAt ? Date.parse(view.startedAt) : (samples.at(-1)?.[0] ?? 0) - 2000;
  const last = ((samples.at(-1)?.[0] ?? zero) - zero) / 1000;
  const span = Math.max(sheet.span_s, Math.ceil(last / 15) * 15);
  return (
    <div className={styles.lanes} data-narrow={narrow || undefined}>
      {sheet.lanes.map((lane, index) => {
        const place = among.findIndex((one) => one.parameter === lane.parameter);
        const reading = view.lanes.find((one) => one.parameter === lane.parameter);
        return (
          <section key={lane.parameter} className={styles.lane} aria-label={`${lane.label}, ${lane.unit}`}>
            <LaneChart
              sheet={lane}
              samples={samples}
              column={FIRST_COLUMN + place}
              zero={zero}
              span={span}
              height={(narrow ? NARROW_HEIGHTS : HEIGHTS)[place] ?? 60}
              forecast={lane.parameter === 'TEMPERATURE' && !silent ? view.forecast : NO_FORECAST}
              axis={index === sheet.lanes.length - 1}
              band={over?.bands[lane.parameter]}
            />
            <div className={styles.figure}>
              <span className={styles.label}>
                {lane.label}, {lane.unit}
              </span>
              <b className={styles.value}>
                {silent || reading?.value === undefined ? '–' : shown(reading.value, lane.decimals)}
              </b>
              <small data-hot={reading?.forecast_s !== undefined && !silent ? true : undefined}>
                {silent ? 'no reading' : reading?.note}
              </small>
            </div>
          </section>
        );
      })}
      {over && over.starts > 0 && !narrow && (
        <p className="small">Shaded: where its last {over.starts} good starts lay.</p>
      )}
      {view.gaps
        .filter((gap) => gap.parameter === 'SPOOL')
        .map((gap) => (
          <p key={gap.from} className="small">
            {`No readings from ${tenths_s(gap.from)} s to ${tenths_s(gap.to)} s after the starter.`}
          </p>
        ))}
    </div>
  );
}
