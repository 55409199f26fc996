import { describe, expect, it } from 'vitest';
import type { StartSheet } from '../api/client';
import { controlsFor, standsIn, wrongFor, wrongFrom, wrongTo } from './simulatorWords';

const JET: StartSheet = {
  lanes: [],
  span_s: 75,
  electric: false,
  ignitionSwitch: false,
  automatic: false,
  crossBleed: true,
  canBeHeld: false,
  wrong: '',
  secondMeans: 'isolation handle',
};

const names = (sheet: StartSheet, positions: Record<string, string> = {}) =>
  controlsFor(sheet, 2, positions, {}).map((control) => control.name);

describe('where it stands', () => {
  it('is told as the crew told it', () => {
    const day = { oat_c: -4.2, elevation_ft: 330, tailWind_kt: 0, soak_c: -4.2 };
    expect(standsIn(day)).toBe('It stands in −4 °C, calm.');
    expect(standsIn({ ...day, tailWind_kt: 12.3 })).toBe('It stands in −4 °C, 12 kt from behind.');
    expect(standsIn({ ...day, tailWind_kt: -8, soak_c: -35 })).toBe(
      'It stands in −4 °C, 8 kt from ahead; its own warmth −35 °C.',
    );
  });
});

describe('the controls of the simulated aircraft', () => {
  it('are those of the type', () => {
    expect(names(JET)).toEqual([
      'air',
      'cross-bleed',
      'packs',
      'engine-2/starter',
      'engine-2/fuel',
      'engine-2/second-means',
    ]);
    expect(names({ ...JET, automatic: true })).toEqual([
      'air',
      'cross-bleed',
      'packs',
      'engine-2/fuel',
      'engine-2/starter',
      'engine-2/second-means',
    ]);
    expect(
      names({ ...JET, electric: true, crossBleed: false, ignitionSwitch: true, secondStage: 'high idle, 72 %' }),
    ).toEqual([
      'ground-power',
      'battery',
      'packs',
      'engine-2/ignition',
      'engine-2/starter',
      'engine-2/fuel',
      'engine-2/second-stage',
      'engine-2/second-means',
    ]);
    expect(names({ ...JET, electric: true, crossBleed: false, canBeHeld: true })).toContain('held');
  });

  it('offer the thrust of an engine that runs', () => {
    expect(names(JET, { 'engine-1/fuel': 'on' })).toContain('engine-1/second-stage');
    expect(names(JET, { 'engine-2/fuel': 'on' })).not.toContain('engine-2/second-stage');
  });

  it('have one key each', () => {
    for (const sheet of [JET, { ...JET, electric: true, canBeHeld: true, ignitionSwitch: true, secondStage: 'x' }]) {
      const keys = controlsFor(sheet, 1, { 'engine-2/fuel': 'on' }, {}).map((control) => control.key);
      expect(new Set(keys).size).toBe(keys.length);
    }
  });

  it('say that valve and battery are on until they are switched off', () => {
    const valve = controlsFor(JET, 1, {}, {}).find((control) => control.name === 'cross-bleed');
    expect(valve).toMatchObject({ on: true, to: 'off' });
    const shut = controlsFor(JET, 1, { 'cross-bleed': 'off' }, {}).find((one) => one.name === 'cross-bleed');
    expect(shut).toMatchObject({ on: false, to: 'on' });
  });

  it('say that packs which were left on are on until they are switched off', () => {
    const left = { 'what-goes-wrong': 'packs-left-on' };
    const packs = (positions: Record<string, string>) =>
      controlsFor(JET, 1, positions, {}).find((control) => control.name === 'packs');
    expect(packs({})).toMatchObject({ on: false });
    expect(packs(left)).toMatchObject({ on: true, to: 'off' });
    expect(packs({ ...left, packs: 'off' })).toMatchObject({ on: false, to: 'on' });
  });
});

describe('what goes wrong', () => {
  it('is only what the type can have', () => {
    const values = (sheet: StartSheet) => wrongFor(sheet).map((one) => one.value);
    expect(values(JET)).toContain('weak-air');
    expect(values(JET)).not.toContain('ground-power-lost');
    expect(values({ ...JET, automatic: true })).toContain('hot,computer-stops-nothing');
    expect(values({ ...JET, electric: true })).not.toContain('weak-air');
  });

  it.each(['nothing', 'hot', 'hot:0.4', 'hung:1:10', 'hot:0.7:20,computer-stops-nothing'])(
    '%s is read as written',
    (position) => {
      expect(wrongTo(wrongFrom(position))).toBe(position);
    },
  );
});
