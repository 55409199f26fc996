import { useMemo } from 'react';
import type { SampleRow } from '../api/client';
import { useApuReadings } from '../live/departureContext';
import { LaneChart } from '../start/LaneChart';
import laneStyles from '../start/Lanes.module.css';
import { shown } from '../ui/number';
import { apuLanes, margin, type ApuSheet, type ApuView } from './apuWords';

const HEIGHTS = [110, 170];
const SPAN_S = 60;
const NO_FORECAST: number[] = [];

/** Speed and temperature of the APU as they are read, with the limits that count now. */
export function ApuLanes({
  sheet,
  apu,
  before,
  silent,
}: {
  sheet: ApuSheet;
  apu: ApuView;
  /** What was read before the page was up. */
  before: SampleRow[];
  silent: boolean;
}) {
  const { samples: live } = useApuReadings();
  const starting = apu.phase === 'STARTING' || apu.phase === 'POWERED' || apu.phase === 'OFF';
  const lanes = useMemo(() => apuLanes(sheet, starting), [sheet, starting]);
  const first = live[0]?.[0] ?? Number.POSITIVE_INFINITY;
  const samples = useMemo(() => [...before.filter((row) => (row[0] ?? 0) < first), ...live], [before, live, first]);
  const newest = samples.at(-1);
  const since = Date.parse(apu.since);
  // A start is drawn from its beginning; what runs is drawn with its last minute.
  const zero = apu.phase === 'STARTING' ? since : Math.max(since - 5000, (newest?.[0] ?? since) - (SPAN_S - 5) * 1000);
  const last = ((newest?.[0] ?? zero) - zero) / 1000;
  const span = Math.max(SPAN_S, Math.ceil(last / 15) * 15);
  const drawn = useMemo(() => samples.filter((row) => (row[0] ?? 0) >= zero - 2000), [samples, zero]);
  return (
    <div className={laneStyles.lanes}>
      {lanes.map((lane, index) => {
        const value = newest?.[index + 1] ?? null;
        return (
          <section key={lane.parameter} className={laneStyles.lane} aria-label={`APU ${lane.label}, ${lane.unit}`}>
            <LaneChart
              sheet={lane}
              samples={drawn}
              column={index + 1}
              zero={zero}
              span={span}
              height={HEIGHTS[index] ?? 100}
              forecast={NO_FORECAST}
              axis={index === lanes.length - 1}
            />
            <div className={laneStyles.figure}>
              <span className={laneStyles.label}>
                {lane.label}, {lane.unit}
              </span>
              <b className={laneStyles.value}>{silent || value === null ? '–' : shown(value, lane.decimals)}</b>
              <small>
                {silent || value === null
                  ? 'no reading'
                  : lane.parameter === 'TEMPERATURE'
                    ? margin(sheet, starting, value)
                    : ''}
              </small>
            </div>
          </section>
        );
      })}
    </div>
  );
}
