import { describe, expect, it } from 'vitest';
import type { ClockView } from '../api/client';
import { hasRunOut, runningOut } from './runningOut';

const T0 = Date.parse('2026-05-04T09:00:00Z');

function clock(id: string, seconds: number, startedAt = '2026-05-04T08:59:00Z'): ClockView {
  return {
    id,
    label: id,
    releases: id,
    source: 'table',
    startedAt,
    duration: 'PT1M',
    opensAt: new Date(T0 + seconds * 1000).toISOString(),
    elapsed: false,
    counts: 'DOWN',
  };
}

describe('a clock that runs out', () => {
  it('is heard once, at its end', () => {
    const clocks = [clock('door', 8), clock('air', 75)];
    const begun = runningOut(clocks, T0);
    expect(hasRunOut(begun, T0 + 7900)).toBe(false);
    expect(hasRunOut(begun, T0 + 8000)).toBe(true);
    expect(hasRunOut(runningOut(clocks, T0 + 8000), T0 + 8250)).toBe(false);
  });

  it('is heard where it is gone with its end', () => {
    const before = runningOut([clock('alignment', 0.2)], T0);
    expect(hasRunOut(before, T0 + 250)).toBe(true);
    expect(runningOut([], T0 + 250).size).toBe(0);
  });

  it('is not heard when it was taken back or begun anew before its end', () => {
    let waiting = runningOut([clock('alignment', 60)], T0);
    waiting = runningOut([clock('alignment', 800, '2026-05-04T09:00:30Z')], T0 + 30_000);
    expect(hasRunOut(waiting, T0 + 61_000)).toBe(false);
  });

  it('is not heard when it counts up, or is a window that closes', () => {
    const { opensAt: _, duration: _none, ...endless } = clock('apu', 0);
    expect(
      runningOut(
        [
          { ...endless, counts: 'UP' },
          { ...clock('quick', 4), counts: 'WINDOW' },
        ],
        T0,
      ).size,
    ).toBe(0);
  });

  it('is not heard when it had run out before the page was up', () => {
    expect(runningOut([clock('door', -5)], T0).size).toBe(0);
  });
});
