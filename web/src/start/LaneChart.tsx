import 'uplot/dist/uPlot.min.css';
import { useEffect, useRef } from 'react';
import UPlot from 'uplot';
import type { SampleRow, Schemas } from '../api/client';
import { useTheme } from '../theme/useTheme';
import styles from './Lanes.module.css';

type LaneSheet = Schemas['LaneSheet'];

const AXIS_WIDTH = 38;
const TIME_AXIS_HEIGHT = 22;
const DRAWN_EVERY_S = 0.25;
const GAP_S = 1.5;

/** Where the readings of several starts lie, at even steps; in seconds since the starter. */
export interface DrawnBand {
  from: number;
  step: number;
  lowest: (number | null)[];
  median: (number | null)[];
  highest: (number | null)[];
}

interface LaneChartProps {
  sheet: LaneSheet;
  samples: SampleRow[];
  /** Which column of a sample is drawn. */
  column: number;
  /** Time of starter on, milliseconds since 1970 on the feed's clock. */
  zero: number;
  /** Seconds from the left edge to the right. */
  span: number;
  height: number;
  /** The value drawn on, a quarter of a second apart; empty for none. */
  forecast: number[];
  /** Whether time is written under it. */
  axis: boolean;
  /** The band of several starts behind it. */
  band?: DrawnBand | undefined;
  /** Another start behind it. */
  other?: SampleRow[] | undefined;
  /** Whether the start is over, so that no moment is now. */
  still?: boolean;
}

/** One reading against time since the starter, its limits as bands and lines, and its forecast as a light one. */
export function LaneChart({
  sheet,
  samples,
  column,
  zero,
  span,
  height,
  forecast,
  axis,
  band,
  other,
  still = false,
}: LaneChartProps) {
  const place = useRef<HTMLDivElement>(null);
  const plot = useRef<UPlot | null>(null);
  const [theme] = useTheme();
  const beside = other !== undefined;
  const room = height + (axis ? TIME_AXIS_HEIGHT : 0);
  useEffect(() => {
    const element = place.current;
    if (!element) return undefined;
    const chart = new UPlot(
      options({ sheet, span, width: element.clientWidth, height: room, axis, beside, band, still }),
      [[], [], []],
      element,
    );
    plot.current = chart;
    const resize = new ResizeObserver(() => chart.setSize({ width: element.clientWidth, height: room }));
    resize.observe(element);
    return () => {
      resize.disconnect();
      chart.destroy();
      plot.current = null;
    };
  }, [sheet, span, room, axis, theme, beside, band, still]);
  useEffect(() => {
    const own = data(samples, column, zero, forecast);
    plot.current?.setData(other ? UPlot.join([behind(other, column), own]) : own);
  }, [samples, column, zero, forecast, sheet, span, room, axis, theme, other, band, still]);
  return (
    <div className={styles.chart} ref={place} role="img" aria-label={`${sheet.label} since the starter, ${sheet.unit}`}>
      {sheet.lines.map((line) => (
        <span key={line.words} className={styles.limit} style={{ top: top(line, sheet, height) }}>
          {line.words}
        </span>
      ))}
    </div>
  );
}

/** Words stand above a limit's line, and under a minimum's. */
function top({ value, kind }: LaneSheet['lines'][number], sheet: LaneSheet, height: number): number {
  const line = (1 - (value - least(sheet)) / (sheet.most - least(sheet))) * height;
  return kind === 'LIMIT_ABOVE' && line > 10 ? Math.max(0, line - 13) : line + 3;
}

/** The value at the bottom: a cold engine is below zero. */
function least(sheet: LaneSheet): number {
  return sheet.parameter === 'TEMPERATURE' ? -60 : 0;
}

function data(samples: SampleRow[], column: number, zero: number, forecast: number[]): UPlot.AlignedData {
  const times: number[] = [];
  const values: (number | null)[] = [];
  for (const row of samples) {
    const t = ((row[0] ?? 0) - zero) / 1000;
    if (times.length > 0 && t - (times.at(-1) ?? t) > GAP_S) {
      times.push((times.at(-1) ?? 0) + 0.001);
      values.push(null);
    }
    times.push(t);
    values.push(row[column] ?? null);
  }
  const drawn: (number | null)[] = values.map(() => null);
  const last = times.at(-1) ?? 0;
  forecast.forEach((value, index) => {
    if (index === 0) {
      drawn[drawn.length - 1] = value;
      return;
    }
    times.push(last + index * DRAWN_EVERY_S);
    values.push(null);
    drawn.push(value);
  });
  return [times, values, drawn];
}

/** The other start: what lies behind is drawn first. */
function behind(other: SampleRow[], column: number): UPlot.AlignedData {
  const [times, values] = data(other, column, 0, []);
  return [times, values ?? []];
}

interface Colours {
  ink: string;
  quiet: string;
  light: string;
  grid: string;
  now: string;
  band: string;
  caution: string;
  warning: string;
}

/**
 * The theme's colours. Reading them has the whole page's style computed, so they are read once for a chart and not at
 * each drawing.
 */
function colours(): Colours {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return {
    ink: of('--ink'),
    quiet: of('--ink-2'),
    light: of('--ink-3'),
    grid: of('--line'),
    now: of('--now'),
    band: of('--now-soft'),
    caution: of('--caution-soft'),
    warning: of('--warn-soft'),
  };
}

interface Drawing {
  sheet: LaneSheet;
  span: number;
  width: number;
  height: number;
  axis: boolean;
  beside: boolean;
  band: DrawnBand | undefined;
  still: boolean;
}

function options({ sheet, span, width, height, axis, beside, band, still }: Drawing): UPlot.Options {
  const theme = colours();
  const { ink, quiet } = theme;
  const grid = { stroke: theme.grid, width: 1 };
  const font = '12px "Atkinson Hyperlegible Next Variable", sans-serif';
  return {
    width,
    height,
    padding: [0, 12, 0, 0],
    legend: { show: false },
    cursor: { show: false },
    scales: { x: { time: false, range: [-2, span] }, y: { range: [least(sheet), sheet.most] } },
    series: [
      {},
      ...(beside ? [{ stroke: theme.now, width: 1.6, dash: [7, 4], points: { show: false } }] : []),
      { stroke: ink, width: 2.2, points: { show: false }, spanGaps: false },
      { stroke: theme.light, width: 2, dash: [4, 4], points: { show: false } },
    ],
    axes: [
      {
        show: axis,
        size: TIME_AXIS_HEIGHT,
        stroke: quiet,
        font,
        grid: { show: false },
        ticks: { show: false },
        values: (_, ticks) => ticks.map((tick) => (tick < 0 ? '' : `${tick}`)),
      },
      { size: AXIS_WIDTH, stroke: quiet, font, grid, ticks: { show: false }, splits: () => marks(sheet.most) },
    ],
    hooks: {
      drawClear: [
        (chart) => {
          fillLimits(chart, sheet, theme);
          if (band) drawBand(chart, band, theme);
          drawLimits(chart, sheet, theme);
        },
      ],
      draw: still ? [] : [(chart) => drawNow(chart, theme)],
    },
  };
}

/** Two or three round values up to the top. */
function marks(most: number): number[] {
  const step = [5, 10, 20, 50, 100, 200, 500, 1000].find((candidate) => most / candidate < 4.5) ?? most;
  return Array.from({ length: Math.floor(most / step) }, (_, index) => (index + 1) * step).filter(
    (mark) => mark < most * 0.9,
  );
}

/** What lies over a limit. */
function fillLimits(chart: UPlot, sheet: LaneSheet, theme: Colours): void {
  const { ctx, bbox } = chart;
  const above = sheet.lines.filter((line) => line.kind !== 'MINIMUM').sort((a, b) => a.value - b.value);
  ctx.save();
  above.forEach((line, index) => {
    const y = chart.valToPos(line.value, 'y', true);
    const next = above[index + 1];
    const until = next ? chart.valToPos(next.value, 'y', true) : bbox.top;
    ctx.fillStyle = line.kind === 'CAUTION_ABOVE' ? theme.caution : theme.warning;
    ctx.fillRect(bbox.left, until, bbox.width, y - until);
  });
  ctx.restore();
}

/** The band with its edges, and its median as a broken line. */
function drawBand(chart: UPlot, band: DrawnBand, theme: Colours): void {
  const { ctx, bbox } = chart;
  const told = band.median.map((_, index) => index).filter((index) => band.median[index] !== null);
  const along = (values: (number | null)[], order: number[]) => {
    for (const index of order) {
      const x = chart.valToPos(band.from + index * band.step, 'x', true);
      ctx.lineTo(x, chart.valToPos(values[index] ?? 0, 'y', true));
    }
  };
  ctx.save();
  ctx.beginPath();
  ctx.rect(bbox.left, bbox.top, bbox.width, bbox.height);
  ctx.clip();
  ctx.beginPath();
  along(band.highest, told);
  along(band.lowest, told.toReversed());
  ctx.closePath();
  ctx.fillStyle = theme.band;
  ctx.fill();
  ctx.setLineDash([]);
  ctx.strokeStyle = theme.now;
  ctx.lineWidth = 0.8 * devicePixelRatio;
  ctx.stroke();
  ctx.beginPath();
  along(band.median, told);
  ctx.setLineDash([7 * devicePixelRatio, 4 * devicePixelRatio]);
  ctx.lineWidth = 1.4 * devicePixelRatio;
  ctx.stroke();
  ctx.restore();
}

function drawLimits(chart: UPlot, sheet: LaneSheet, theme: Colours): void {
  const { ctx, bbox } = chart;
  ctx.save();
  ctx.setLineDash([]);
  ctx.strokeStyle = theme.quiet;
  ctx.lineWidth = 1.4 * devicePixelRatio;
  for (const line of sheet.lines) {
    const y = chart.valToPos(line.value, 'y', true);
    ctx.beginPath();
    ctx.moveTo(bbox.left, y);
    ctx.lineTo(bbox.left + bbox.width, y);
    ctx.stroke();
  }
  ctx.restore();
}

/** An upright line where the newest reading stands. */
function drawNow(chart: UPlot, theme: Colours): void {
  const times = chart.data[0];
  const values = chart.data[1] ?? [];
  let newest = -1;
  for (let i = 0; i < values.length; i++) if (values[i] !== null) newest = i;
  const at = times[newest];
  if (at === undefined) return;
  const { ctx, bbox } = chart;
  const x = chart.valToPos(at, 'x', true);
  ctx.save();
  ctx.setLineDash([]);
  ctx.strokeStyle = theme.now;
  ctx.lineWidth = 1.5 * devicePixelRatio;
  ctx.beginPath();
  ctx.moveTo(x, bbox.top);
  ctx.lineTo(x, bbox.top + bbox.height);
  ctx.stroke();
  ctx.restore();
}
