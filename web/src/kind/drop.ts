import type { Schemas } from '../api/client';
import { shown } from '../ui/number';

type Limit = Schemas['LimitView'];

/** Between what a number must lie, as a crew says it. @param least null where there is none; @param most the same */
export function bounds(least: number | null, most: number | null, decimals: number): string {
  return [least !== null && `at least ${shown(least, decimals)}`, most !== null && `at most ${shown(most, decimals)}`]
    .filter(Boolean)
    .join(' and ');
}

/** A limit of how far a reading may drop, as a crew says it: the highest value is the least drop. */
export function dropAllowed(limit: Limit, from: number, decimals: number): string {
  const least = limit.max === undefined ? null : from - limit.max;
  const most = limit.min === undefined ? null : from - limit.min;
  const before = ` from ${shown(from, decimals)}`;
  if (most !== null && least === -most) return `within ${shown(most, decimals)}${before}`;
  return `a drop of ${bounds(least, most, decimals)}${before}`;
}

/** How far a reading has dropped, or come up, with what is allowed. */
export function dropRead(limit: Limit, from: number, value: number, decimals: number): string {
  const drop = from - value;
  const moved = `${drop < 0 ? 'up' : 'down'} by ${shown(Math.abs(drop), decimals)}`;
  return `${drop === 0 ? 'no drop' : moved}, ${dropAllowed(limit, from, decimals)} allowed`;
}
