import { describe, expect, it } from 'vitest';
import { apuControls, apuFailures, apuLadder, apuLanes, margin, type ApuSheet } from './apuWords';

const SHEET: ApuSheet = {
  tail: 'QX-LOM',
  flight: '1',
  source: 'Havern 2M, APU',
  modifications: [],
  fuelAt_pct: 9,
  starterOutAt_pct: 54,
  availableAt_pct: 96,
  startLimits: [
    { limit_c: 870, allowed_s: 10 },
    { limit_c: 930, allowed_s: 0 },
  ],
  runningMax_c: 690,
  battery_min_v: 23.2,
  burn_kgph: 105,
  tries: 3,
  ceilings: [],
  stand_ft: 112,
  stops: [{ why: 'BLEED_DUCT_HOT', label: 'Overheat in its bleed duct', next: 'MAINTENANCE', inFlight: false }],
};

describe('what is told of an APU', () => {
  it('shows the margin to the limit that comes next, and how far it was passed', () => {
    expect(margin(SHEET, true, 800)).toBe('70 under 870');
    expect(margin(SHEET, true, 900)).toBe('30 under 930');
    expect(margin(SHEET, true, 940)).toBe('10 over 930');
    expect(margin(SHEET, false, 700)).toBe('10 over 690');
  });

  it('draws the limits that count now', () => {
    const lines = (starting: boolean) => apuLanes(SHEET, starting)[1]?.lines.map((line) => line.words);
    expect(lines(true)).toEqual(['870 for 10 s', '930 never above']);
    expect(lines(false)).toEqual(['690 running']);
  });

  it('marks as next what comes after the last that was told, and says what was passed over', () => {
    const told = (at: (string | undefined)[], phase: 'STARTING' | 'STOPPED' = 'STARTING') => {
      const rungs = ['Door open', 'Light-up', 'Available'].map((label, i) => ({ label, at: at[i] }));
      return apuLadder({ phase, read: false, rungs }).map((rung) => rung.state);
    };
    expect(told([])).toEqual(['NOW', 'NEXT', 'NEXT']);
    expect(told([undefined, '2026-11-29T08:00:00Z'])).toEqual(['PASSED', 'DONE', 'NOW']);
    expect(told(['2026-11-29T08:00:00Z', undefined, '2026-11-29T08:00:40Z'])).toEqual(['DONE', 'PASSED', 'DONE']);
    expect(told(['2026-11-29T08:00:00Z'], 'STOPPED')).toEqual(['DONE', 'NEXT', 'NEXT']);
  });

  it('moves each switch of the simulated one to where it is not', () => {
    const controls = apuControls({ 'apu/master': 'on' });
    expect(controls.find((one) => one.name === 'apu/master')).toMatchObject({ on: true, to: 'off' });
    expect(controls.find((one) => one.name === 'apu/bleed')).toMatchObject({ on: false, to: 'on' });
    expect(controls.find((one) => one.name === 'apu/batteries')).toMatchObject({ on: true, to: 'off' });
  });

  it('shows a switch that nobody has moved as the crew told of the APU', () => {
    const running = { phase: 'AVAILABLE', generator: false, bleed: true } as const;
    const on = (positions: Record<string, string>) =>
      apuControls(positions, running)
        .filter((one) => one.on)
        .map((one) => one.name);
    expect(on({})).toEqual(['apu/master', 'apu/bleed', 'apu/batteries']);
    expect(on({ 'apu/bleed': 'off' })).toEqual(['apu/master', 'apu/batteries']);
  });

  it('names every stop as the simulated aircraft knows it', () => {
    expect(apuFailures(SHEET).map((one) => one.position)).toContain('stops-bleed-duct-hot');
  });
});
