import type { Schemas } from '../api/client';
import { outcomeWords } from '../start/startWords';
import { shown } from '../ui/number';
import { isoDuration, utc } from '../ui/time';

/** What the page of two starts works out by itself: nothing but wording. */

/** A difference with its sign; what is shown as nothing has none. */
export function signed(value: number, decimals: number): string {
  const text = shown(Math.abs(value), decimals);
  if (Number(text) === 0) return text;
  return value > 0 ? `+${text}` : `−${text}`;
}

/** Where one start lay farthest from the other, or from the band. */
export function apartWords(apart: Schemas['Apart'] | undefined, band: boolean): string {
  if (!apart) return band ? 'inside' : 'not read in both';
  const at = `at ${(isoDuration(apart.at) / 1000).toFixed(1)} s`;
  return band ? `${at}; outside for ${(isoDuration(apart.apart) / 1000).toFixed(1)} s` : at;
}

/** A start in a list: of which engine and when, and how it ended. */
export function startWords(start: Schemas['OtherStart'], ownEngine: number | undefined): string {
  const engine = start.engine !== undefined && start.engine !== ownEngine ? `Engine ${start.engine}, ` : '';
  const what = start.title === 'before' ? '' : `${start.title}, `;
  // Of a file it is known when it was opened, not when the start was.
  return `${engine}${what}${start.ref.startsWith('trace.') ? 'opened ' : ''}${dated(start.at)}`;
}

/** How it ended, with its peak where that is on record. */
export function cameTo(start: Schemas['OtherStart']): string {
  const peak = start.peak_c === undefined ? '' : `, peak ${start.peak_c.toFixed(0)} °C`;
  return `${outcomeWords(start.outcome)}${peak}`;
}

export function dated(at: string): string {
  return `${at.slice(0, 10)} ${utc(at)}`;
}

/** One side of a figure; a start that has none is said to have none. */
export function figure(value: number | undefined, decimals: number): string {
  return value === undefined ? 'none' : shown(value, decimals);
}
