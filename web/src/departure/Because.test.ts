import { describe, expect, it } from 'vitest';
import type { WorkLine } from '../live/departureContext';
import { because } from './Because';

const line = (state: string, ...grounds: object[]) => ({ view: { state, because: grounds } }) as unknown as WorkLine;

describe('why a line is needed or not', () => {
  it('names each ground with what it is today', () => {
    const taxi = { name: 'Taxi-out', value: 'One' };
    const first = { name: 'Which engine first', value: 'Engine 1 first' };
    expect(because(line('NOT_NEEDED', taxi, first))).toBe(
      'Not needed today. Taxi-out: One. Which engine first: Engine 1 first',
    );
    expect(because(line('OPEN', { name: 'Air', value: '4', unit: 'degC' }))).toBe('Needed today. Air: 4 °C');
  });

  it('leaves what the operator decided to its own place while the line is worked', () => {
    const decided = { name: 'Taxi-out', value: 'One', why: 'fuel', against: 'brakes' };
    expect(because(line('OPEN', decided))).toBeNull();
    expect(because(line('NOT_NEEDED', decided))).toBe('Not needed today. Taxi-out: One');
  });

  it('says nothing before anything is known', () => {
    expect(because(line('OPEN', { name: 'Icing conditions' }))).toBeNull();
  });
});
