import type { Schemas, StartSheet } from '../api/client';
import type { Rung } from '../start/LadderList';
import { utc } from '../ui/time';

export type ApuView = Schemas['ApuView'];
export type ApuSheet = Schemas['ApuSheet'];
export type ApuTap = Schemas['ApuOffer']['tap'];
type LaneSheet = StartSheet['lanes'][number];

/** What comes after an automatic stop, as the crew reads it. */
export const NEXT: Record<Schemas['StopText']['next'], string> = {
  FIRE_LIST: 'work its fire list',
  TRY_AGAIN: 'another start, once rested',
  COOL: 'let its oil cool, then another start',
  MAINTENANCE: 'maintenance before another start',
};

const IS_ON: ReadonlySet<ApuView['phase']> = new Set(['POWERED', 'STARTING', 'AVAILABLE'] as const);

/** Its rungs as any ladder shows them. What comes next is after the last of which it is known when it was reached. */
export function apuLadder(apu: Pick<ApuView, 'phase' | 'rungs' | 'read'>): Rung[] {
  const reached = apu.rungs.findLastIndex((rung) => rung.at);
  const next = IS_ON.has(apu.phase) ? reached + 1 : -1;
  return apu.rungs.map((rung, index) => {
    if (rung.at) return { words: rung.label, detail: utc(rung.at, true), state: 'DONE' };
    if (index < reached) return { words: rung.label, detail: apu.read ? 'not seen' : 'not told', state: 'PASSED' };
    return { words: rung.label, detail: '', state: index === next ? 'NOW' : 'NEXT' };
  });
}

/** A control of the simulated APU, and where it would go. */
export interface ApuControl {
  name: string;
  label: string;
  to: string;
  on: boolean;
}

const SWITCHES: [string, string][] = [
  ['apu/master', 'Master'],
  ['apu/generator', 'Generator'],
  ['apu/bleed', 'Air'],
  ['apu/batteries', 'Batteries'],
];

/** What of the APU's state its switches tell. */
export type ApuTold = Pick<ApuView, 'phase' | 'generator' | 'bleed'>;

/**
 * The switches of the simulated APU. `positions`: where each was moved last; one that nobody has moved stands as the
 * crew told of the APU before, and batteries are on from the beginning.
 */
export function apuControls(positions: Record<string, string>, told?: ApuTold): ApuControl[] {
  const before: Record<string, boolean | undefined> = {
    'apu/batteries': true,
    'apu/master': told !== undefined && IS_ON.has(told.phase),
    'apu/generator': told?.generator,
    'apu/bleed': told?.bleed,
  };
  return SWITCHES.map(([name, label]) => {
    const moved = positions[name];
    const on = moved === undefined ? before[name] === true : moved === 'on';
    return { name, label, on, to: on ? 'off' : 'on' };
  });
}

/** What can go wrong with the simulated APU; a stop of its own comes at once, the rest with its next start. */
export function apuFailures(sheet: ApuSheet): { position: string; label: string }[] {
  return [
    { position: 'nothing', label: 'Nothing goes wrong' },
    { position: 'no-light', label: 'It does not light' },
    { position: 'hot', label: 'Its start is too hot' },
    { position: 'hangs', label: 'It does not come up to speed' },
    { position: 'door-stuck', label: 'Its door stays shut' },
    ...sheet.stops.map((stop) => ({
      position: `stops-${stop.why.toLowerCase().replaceAll('_', '-')}`,
      label: `It stops itself now: ${stop.label.toLowerCase()}`,
    })),
  ];
}

const AXIS_OVER_LIMIT_C = 150;

/** The two lanes of an APU. While it is started, the limits of its start are drawn; afterwards that of its run. */
export function apuLanes(sheet: ApuSheet, starting: boolean): LaneSheet[] {
  const limits = sheet.startLimits
    .map(({ limit_c, allowed_s }) => ({
      value: limit_c,
      words: allowed_s === 0 ? `${limit_c} never above` : `${limit_c} for ${allowed_s} s`,
      kind: allowed_s === 0 ? ('LIMIT_ABOVE' as const) : ('CAUTION_ABOVE' as const),
    }))
    .sort((a, b) => a.value - b.value);
  const most = (limits.at(-1)?.value ?? sheet.runningMax_c) + AXIS_OVER_LIMIT_C;
  const running = [{ value: sheet.runningMax_c, words: `${sheet.runningMax_c} running`, kind: 'LIMIT_ABOVE' as const }];
  return [
    {
      parameter: 'SPOOL',
      label: 'Speed',
      unit: '%',
      decimals: 1,
      most: 110,
      lines: [
        { value: sheet.starterOutAt_pct, words: `${sheet.starterOutAt_pct} starter out`, kind: 'MINIMUM' },
        { value: sheet.availableAt_pct, words: `${sheet.availableAt_pct} available`, kind: 'MINIMUM' },
      ],
    },
    { parameter: 'TEMPERATURE', label: 'EGT', unit: '°C', decimals: 0, most, lines: starting ? limits : running },
  ];
}

/** The nearest limit of its temperature, with the margin under it: what a judged number shows. */
export function margin(sheet: ApuSheet, starting: boolean, value_c: number): string {
  const limits = starting ? sheet.startLimits : [{ limit_c: sheet.runningMax_c, allowed_s: 0 }];
  const nearest = limits.map(({ limit_c }) => limit_c).sort((a, b) => a - b);
  const next = nearest.find((limit_c) => value_c <= limit_c) ?? nearest.at(-1) ?? value_c;
  const left = Math.round(next - value_c);
  return left >= 0 ? `${left} under ${next}` : `${-left} over ${next}`;
}
