import { describe, expect, it } from 'vitest';
import { bounds, dropAllowed, dropRead } from './drop';

const magneto = { min: 1705, max: 1815, source: 'run-up', from: 1850 };
const recovered = { min: 1825, max: 1875, source: 'recovered', from: 1850 };
const propeller = { max: 1570, source: 'propeller', from: 1850 };

describe('bounds', () => {
  it('are said together, or the one there is', () => {
    expect(bounds(1705, 1815, 0)).toBe('at least 1705 and at most 1815');
    expect(bounds(23.8, null, 1)).toBe('at least 23.8');
    expect(bounds(null, 145, 0)).toBe('at most 145');
  });
});

describe('a limit of a drop', () => {
  it('is said as a drop', () => {
    expect(dropAllowed(magneto, 1850, 0)).toBe('a drop of at least 35 and at most 145 from 1850');
    expect(dropAllowed(recovered, 1850, 0)).toBe('within 25 from 1850');
    expect(dropAllowed(propeller, 1850, 0)).toBe('a drop of at least 280 from 1850');
  });
  it('stands beside how far it dropped', () => {
    expect(dropRead(magneto, 1850, 1640, 0)).toBe(
      'down by 210, a drop of at least 35 and at most 145 from 1850 allowed',
    );
    expect(dropRead(magneto, 1850, 1850, 0)).toBe('no drop, a drop of at least 35 and at most 145 from 1850 allowed');
    expect(dropRead(recovered, 1850, 1860, 0)).toBe('up by 10, within 25 from 1850 allowed');
  });
});
