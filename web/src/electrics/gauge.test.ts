import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { gaugeShows } from './gauge';

const measure = (quantity: 'VOLTAGE' | 'CURRENT') =>
  ({ decimals: 1, gauge: { source: 'battery', quantity } }) as Schemas['MeasureSpec'];
const power = { sources: { battery: { voltage_V: 24.16, current_A: null } }, heardAt: 1000 };

describe('what the instrument of a line shows', () => {
  it('is what its source tells, with the decimals of the line', () => {
    expect(gaugeShows(measure('VOLTAGE'), power, 1500)).toBe('24.2');
  });
  it('is nothing when it is not told, is old, or the line has no instrument', () => {
    expect(gaugeShows(measure('CURRENT'), power, 1500)).toBeNull();
    expect(gaugeShows(measure('VOLTAGE'), power, 4001)).toBeNull();
    expect(gaugeShows(measure('VOLTAGE'), { sources: {}, heardAt: 1000 }, 1500)).toBeNull();
    expect(gaugeShows({ decimals: 1 } as Schemas['MeasureSpec'], power, 1500)).toBeNull();
    expect(gaugeShows(undefined, power, 1500)).toBeNull();
  });
});
