import type { Replay, SampleRow } from '../api/client';

/** Which moment of a replay is shown. Times are milliseconds on the clock of the samples. */

/** The last frame at or before a time; the first when there is none. */
export function frameAt(frames: Replay['frames'], at: number): Replay['frames'][number] | undefined {
  let low = 0;
  let high = frames.length - 1;
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if ((frames[middle]?.at ?? 0) <= at) low = middle;
    else high = middle - 1;
  }
  return frames[low];
}

export function samplesUntil(samples: SampleRow[], at: number): SampleRow[] {
  const end = samples.findIndex((row) => (row[0] ?? 0) > at);
  return end < 0 ? samples : samples.slice(0, end);
}

/** How far a key moves the replay, in milliseconds; zero for any other key. */
export function stepOf(key: string): number {
  switch (key) {
    case 'ArrowRight':
      return 1000;
    case 'ArrowLeft':
      return -1000;
    case 'ArrowUp':
      return 10_000;
    case 'ArrowDown':
      return -10_000;
    default:
      return 0;
  }
}
