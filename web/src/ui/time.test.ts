import { describe, expect, it } from 'vitest';
import { countdown, inWords, isoDuration, slack, toGo, utc } from './time';

describe('durations and times', () => {
  it.each([
    [0, '0:00'],
    [1, '0:01'],
    [41_000, '0:41'],
    [41_001, '0:42'],
    [777_900, '12:58'],
    [-5, '0:00'],
  ])('counts %i ms down as %s', (ms, shown) => expect(countdown(ms)).toBe(shown));

  it.each([
    [42_000, '42 s'],
    [614_000, '10 min 14 s'],
    [1_860_000, '31 min'],
    [7_500_000, '2 h 5 min'],
    [7_200_000, '2 h'],
  ])('puts %i ms into words as %s', (ms, words) => expect(inWords(ms)).toBe(words));

  it('shows times of day with their zone', () => {
    expect(utc('2026-05-04T10:40:05Z')).toBe('10:40 UTC');
    expect(utc('2026-05-04T10:40:05Z', true)).toBe('10:40:05 UTC');
  });

  it.each([
    [1_860_000, 'in 31 min'],
    [-120_000, '2 min ago'],
    [20_000, 'in less than a minute'],
    [-1, 'just now'],
  ])('tells how long it is until %i ms as %s', (ms, words) => expect(toGo(ms)).toBe(words));

  it.each([
    [380_000, '6 min in hand'],
    [-130_000, '2 min late'],
    [-5_000, '1 min late'],
  ])('tells slack of %i ms as %s', (ms, words) => expect(slack(ms)).toBe(words));

  it.each([
    ['PT1M15S', 75_000],
    ['PT12M57.873S', 777_873],
    ['PT-3M-20S', -200_000],
    ['PT2H', 7_200_000],
    ['PT0S', 0],
  ])('reads %s as %i ms', (text, ms) => expect(isoDuration(text)).toBeCloseTo(ms, 3));

  it('does not read what is no duration', () => expect(isoDuration('soon')).toBeNaN());
});
