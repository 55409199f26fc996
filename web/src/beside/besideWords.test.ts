import { expect, test } from 'vitest';
import { apartWords, cameTo, figure, signed, startWords } from './besideWords';

test('a difference has its sign, and nothing has none', () => {
  expect(signed(12.34, 1)).toBe('+12.3');
  expect(signed(-12.34, 1)).toBe('−12.3');
  expect(signed(-0.04, 1)).toBe('0.0');
  expect(signed(0.4, 0)).toBe('0');
});

test('where it lay apart is told with its time, and beside a band with how long', () => {
  const apart = { parameter: 'OIL' as const, by: 3, at: 'PT14.25S', apart: 'PT8.5S' };
  expect(apartWords(apart, false)).toBe('at 14.3 s');
  expect(apartWords(apart, true)).toBe('at 14.3 s; outside for 8.5 s');
  expect(apartWords(undefined, true)).toBe('inside');
  expect(apartWords(undefined, false)).toBe('not read in both');
});

test('a start of the same engine does not say its engine again', () => {
  const start = {
    ref: 'before.1',
    engine: 2,
    title: 'before',
    at: '2026-03-04T05:06:00Z',
    outcome: 'NORMAL',
    peak_c: 611.6,
  };
  expect(startWords(start, 2)).toBe('2026-03-04 05:06 UTC');
  expect(startWords({ ...start, title: 'attempt 1' }, 1)).toBe('Engine 2, attempt 1, 2026-03-04 05:06 UTC');
  expect(startWords({ ...start, ref: 'trace.1.1', title: 'a.csv, attempt 1' }, 2)).toBe(
    'a.csv, attempt 1, opened 2026-03-04 05:06 UTC',
  );
  expect(cameTo(start)).toBe('normal, peak 612 °C');
  expect(cameTo({ ...start, peak_c: undefined })).toBe('normal');
});

test('a figure that a start has not is said to be none', () => {
  expect(figure(undefined, 1)).toBe('none');
  expect(figure(3.25, 1)).toBe('3.3');
});
