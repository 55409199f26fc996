/** Durations and times, which never look alike: "0:41" and "10 min 14 s" against "10:40 UTC". */

const SECOND = 1000;
const MINUTE = 60 * SECOND;

/** A countdown: m:ss, from milliseconds; never under 0:00. Rounds up, so that it shows 0:00 only when it is over. */
export function countdown(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / SECOND));
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`;
}

/** A length of time in words: "42 s", "10 min 14 s", "2 h 5 min"; from milliseconds. */
export function inWords(ms: number): string {
  const seconds = Math.max(0, Math.round(ms / SECOND));
  if (seconds < 60) return `${seconds} s`;
  const minutes = Math.floor(seconds / 60);
  if (minutes < 20 && seconds % 60 !== 0) return `${minutes} min ${seconds % 60} s`;
  if (minutes < 100) return `${minutes} min`;
  const rest = minutes % 60;
  return rest === 0 ? `${Math.floor(minutes / 60)} h` : `${Math.floor(minutes / 60)} h ${rest} min`;
}

/** A time of day: "10:40 UTC", or with seconds "10:40:05 UTC". */
export function utc(instant: string | number, withSeconds = false): string {
  const iso = new Date(instant).toISOString();
  return `${iso.slice(11, withSeconds ? 19 : 16)} UTC`;
}

/** How long before off-block: "in 31 min", "2 min ago". */
export function toGo(ms: number): string {
  if (Math.abs(ms) < MINUTE) return ms >= 0 ? 'in less than a minute' : 'just now';
  return ms > 0
    ? `in ${inWords(Math.round(ms / MINUTE) * MINUTE)}`
    : `${inWords(Math.round(-ms / MINUTE) * MINUTE)} ago`;
}

/** Slack: "6 min in hand", "2 min late". */
export function slack(ms: number): string {
  const minutes = Math.floor(Math.abs(ms) / MINUTE);
  return ms >= 0 ? `${minutes} min in hand` : `${Math.max(1, minutes)} min late`;
}

/** Milliseconds of an ISO 8601 duration such as PT12M57.9S; NaN when it is none. */
export function isoDuration(text: string): number {
  const match = /^(-?)P(?:(\d+)D)?T?(?:(-?\d+)H)?(?:(-?\d+)M)?(?:(-?\d+(?:\.\d+)?)S)?$/.exec(text);
  if (!match) return Number.NaN;
  const [, sign, days, hours, minutes, seconds] = match;
  const ms =
    Number(days ?? 0) * 1440 * MINUTE +
    Number(hours ?? 0) * 60 * MINUTE +
    Number(minutes ?? 0) * MINUTE +
    Number(seconds ?? 0) * SECOND;
  return sign ? -ms : ms;
}
