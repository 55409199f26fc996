import { describe, expect, it } from 'vitest';
import { advised, beside, judged } from './batteryWords';

describe('what is told of a battery', () => {
  it('shows each number with its limit and the margin to it', () => {
    expect(judged({ name: 'Loaded volts', value: 24.6, limit: 23.9, margin: 0.7, unit: 'V' })).toBe(
      'Loaded volts 24.6 V: 0.70 V over 23.9 V',
    );
    expect(judged({ name: 'Tailwind', value: 14, limit: 8, margin: -6, unit: 'kt' })).toBe(
      'Tailwind 14.0 kt: 6.00 kt over 8 kt',
    );
    expect(judged({ name: 'Expected dip', value: 14.61, limit: 16.8, margin: -2.19, unit: 'V' })).toBe(
      'Expected dip 14.6 V: 2.19 V under 16.8 V',
    );
  });

  it('holds another battery against it', () => {
    expect(beside({ name: 'Battery 2 volts', loaded_v: 25.2, more_V: -0.2 })).toBe(
      'Beside it: Battery 2 volts 25.2 V, 0.2 V less',
    );
    expect(beside({ name: 'Battery 2 volts', loaded_v: 25.4, more_V: 0 })).toMatch(/the same$/);
  });

  it('names what is to be done', () => {
    expect(advised('GROUND_POWER')).toBe('Ground power');
    expect(advised('NOT_DECIDED')).toBe('Not decided');
  });
});
