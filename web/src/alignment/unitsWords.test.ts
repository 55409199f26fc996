import { describe, expect, it } from 'vitest';
import { advised, counted, doing, offStand, reasons, which, type UnitView } from './unitsWords';

const BEGIN = Date.parse('2026-05-04T09:00:00Z');

function unit(more: Partial<UnitView>): UnitView {
  return {
    number: 1,
    phase: 'ALIGNING',
    since: '2026-05-04T09:00:00Z',
    quick: false,
    counted: '2026-05-04T09:10:00Z',
    needs: 'PT10M',
    missing: ['TIME'],
    restarts: 0,
    ...more,
  };
}

describe('what is told of inertial units', () => {
  it('shows how much of a count is over, and never more than all of it', () => {
    expect(counted(unit({}), BEGIN)).toBe(0);
    expect(counted(unit({}), BEGIN + 150_000)).toBe(0.25);
    expect(counted(unit({}), BEGIN + 700_000)).toBe(1);
    expect(counted(unit({}), BEGIN - 5000)).toBe(0);
    expect(counted(unit({ counted: undefined }), BEGIN)).toBeNull();
  });

  it('shows a position with its distance and its limit', () => {
    expect(offStand(0.04, 12)).toBe('0.0 NM from the stand, at most 12');
    expect(offStand(12, 12)).toBe('12.0 NM from the stand, at most 12');
    expect(offStand(12.4, 12)).toBe('12.4 NM from the stand, over 12');
    expect(offStand(8046.2, 12)).toBe('8046 NM from the stand, over 12');
  });

  it('shows why an alignment is advised, with number, limit and margin', () => {
    const advice = {
      kind: 'FULL' as const,
      reasons: [
        { words: 'A new crew', unit: '' },
        { words: 'Drift of the last leg', value: 2.6, limit: 2.2, unit: 'NM/h' },
      ],
      unknown: [],
      source: 'table',
    };
    expect(advised(advice)).toBe('Full alignment');
    expect(reasons(advice)).toEqual(['A new crew', 'Drift of the last leg 2.6 NM/h, limit 2.2 NM/h, 0.4 over']);
  });

  it('says which units are meant where not all are, and what each does', () => {
    expect(which([1, 2], 2)).toBe('');
    expect(which([2], 2)).toBe('unit 2');
    expect(which([1, 3], 3)).toBe('units 1 and 3');
    expect(doing(unit({ quick: true }))).toBe('aligning quickly');
    expect(doing(unit({ phase: 'STORING' }))).toBe('storing its position');
  });
});
