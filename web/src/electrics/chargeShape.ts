import type { Schemas } from '../api/client';
import { isoDuration } from '../ui/time';

export const WIDTH = 380;
export const HEIGHT = 150;
const LEFT = 8;
const RIGHT = WIDTH - 8;
const TOP = 22;
const BOTTOM = HEIGHT - 18;

/** Room that the words of a point need before the next one's. */
const APART = 36;

/** Where a charge curve is drawn: time to the right from zero, current upwards from zero. */
export function shapeOf(charge: Schemas['ChargeCurve']) {
  const within = isoDuration(charge.rule.within) / 1000;
  const latest = Math.max(within, charge.expected_s ?? 0, ...charge.points.map((point) => point.at_s));
  const most = Math.max(charge.rule.under_A * 2, ...charge.points.map((point) => point.current_A));
  const x = (at_s: number) => LEFT + (Math.min(at_s, latest) / (latest * 1.05)) * (RIGHT - LEFT);
  const y = (current_A: number) => BOTTOM - (current_A / (most * 1.05)) * (BOTTOM - TOP);
  const last = charge.points.at(-1);
  return {
    left: LEFT,
    right: RIGHT,
    top: TOP,
    bottom: BOTTOM,
    within: Math.round(within),
    end: x(within),
    limit: y(charge.rule.under_A),
    good: {
      x: LEFT,
      y: y(charge.rule.under_A),
      width: x(within) - LEFT,
      height: BOTTOM - y(charge.rule.under_A),
    },
    points: charge.points.map((point, index) => {
      const next = charge.points[index + 1];
      const crowded = next !== undefined && x(next.at_s) - x(point.at_s) < APART;
      return { x: x(point.at_s), y: y(point.current_A), words: crowded ? '' : `${Math.round(point.current_A)} A` };
    }),
    ahead:
      charge.expected_s !== undefined && last
        ? { x1: x(last.at_s), y1: y(last.current_A), x2: x(charge.expected_s), y2: y(charge.rule.under_A) }
        : null,
  };
}
