import { describe, expect, it } from 'vitest';
import type { Replay } from '../api/client';
import { frameAt, samplesUntil, stepOf } from './replayTime';

const frames = [0, 500, 730, 1000].map((at) => ({ at })) as Replay['frames'];

describe('the moment of a replay', () => {
  it.each([
    [-5, 0],
    [0, 0],
    [499, 0],
    [500, 500],
    [729.9, 500],
    [730, 730],
    [5000, 1000],
  ])('at %i shows the frame of %i', (at, expected) => {
    expect(frameAt(frames, at)?.at).toBe(expected);
  });
  it('shows no reading that had not come by then', () => {
    const samples = [
      [0, 1],
      [100, 2],
      [200, 3],
    ];
    expect(samplesUntil(samples, 150)).toEqual([
      [0, 1],
      [100, 2],
    ]);
    expect(samplesUntil(samples, 200)).toEqual(samples);
    expect(samplesUntil(samples, -1)).toEqual([]);
  });
  it('moves by arrows only', () => {
    expect(['ArrowLeft', 'ArrowRight', 'ArrowUp', 'ArrowDown', 'x'].map(stepOf)).toEqual([
      -1000, 1000, 10_000, -10_000, 0,
    ]);
  });
  it('has nothing to show of no frames', () => {
    expect(frameAt([], 100)).toBeUndefined();
  });
});
