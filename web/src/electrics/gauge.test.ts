import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { gaugeShows, type Instruments } from './gauge';

const measure = (quantity: 'VOLTAGE' | 'CURRENT') =>
  ({ decimals: 1, gauge: { source: 'battery', quantity } }) as Schemas['MeasureSpec'];
const fan = { decimals: 0, gauge: { source: 'engines', quantity: 'FAN' } } as Schemas['MeasureSpec'];
const nothing: Instruments = { power: { sources: {}, heardAt: 1000 }, engines: {}, sheet: null };
const powered: Instruments = { ...nothing, power: { sources: { battery: { voltage_V: 24.16 } }, heardAt: 1000 } };

function running(fans: (number | null)[], heardAt = 1000): Instruments {
  const lanes = [{ parameter: 'START_SPOOL' }, { parameter: 'TEMPERATURE' }, { parameter: 'FAN' }];
  return {
    ...nothing,
    sheet: { lanes } as Schemas['StartSheet'],
    engines: Object.fromEntries(
      fans.map((value, i) => [i + 1, { samples: [[0, 60, 400, value]], heardAt }]),
    ) as unknown as Instruments['engines'],
  };
}

describe('what the instrument of a line shows', () => {
  it('is what the feed last told, as it would be typed', () => {
    expect(gaugeShows(measure('VOLTAGE'), powered, 1500)).toBe('24.2');
  });
  it('is nothing when it is not told, is old, or the line has no instrument', () => {
    expect(gaugeShows(measure('CURRENT'), powered, 1500)).toBeNull();
    expect(gaugeShows(measure('VOLTAGE'), powered, 4001)).toBeNull();
    expect(gaugeShows(measure('VOLTAGE'), nothing, 1500)).toBeNull();
    expect(gaugeShows({ decimals: 1 } as Schemas['MeasureSpec'], powered, 1500)).toBeNull();
    expect(gaugeShows(undefined, powered, 1500)).toBeNull();
  });
  it('is the fastest fan, of engines that are read now', () => {
    expect(gaugeShows(fan, running([19.2, 31.6]), 1500)).toBe('32');
    expect(gaugeShows(fan, running([null, 31.6]), 1500)).toBe('32');
    expect(gaugeShows(fan, running([19.2], 1000), 4001)).toBeNull();
    expect(gaugeShows(fan, { ...running([19.2]), sheet: null }, 1500)).toBeNull();
    expect(gaugeShows(fan, running([]), 1500)).toBeNull();
  });
});
