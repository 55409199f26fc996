import type { StartSheet } from '../api/client';
import type { EngineLive } from '../live/liveState';

/** A control of the simulated aircraft, the position its next press asks for, and what that does and does not do. */
export interface Control {
  name: string;
  key: string;
  short: string;
  label: string;
  on: boolean;
  to: 'on' | 'off';
  does: string;
}

const STARTER_COLUMN = 7;

/** The controls of a type for one engine, in the order in which a start uses them. */
export function controlsFor(
  sheet: StartSheet,
  engine: number,
  positions: Record<string, string>,
  live: EngineLive | undefined,
): Control[] {
  const own = `engine-${engine}`;
  const control = (
    name: string,
    key: string,
    short: string,
    on: string,
    off: string,
    isOn = positions[name] === 'on',
  ): Control => ({
    name,
    key,
    short,
    on: isOn,
    to: isOn ? 'off' : 'on',
    label: `${short} ${isOn ? 'OFF' : 'ON'}`,
    does: isOn ? off : on,
  });
  // A starter drops out by itself: what the feed says counts, not the last press.
  const turning = live?.samples.at(-1)?.[STARTER_COLUMN] === 1;
  return [
    ...(sheet.electric
      ? [
          control(
            'ground-power',
            'B',
            'Ground power',
            'It feeds the bus. It does not charge the battery.',
            'The battery carries everything again.',
          ),
        ]
      : [
          control(
            'air',
            'A',
            'APU air',
            'Air to the starters. It does not open a start valve.',
            'The starters have no air. Fuel stays as it is.',
          ),
        ]),
    control(
      'packs',
      'P',
      sheet.electric ? 'Heavy loads' : 'Packs',
      'They take their share of the start.',
      'All is left for the start.',
    ),
    ...(sheet.ignitionSwitch
      ? [
          control(
            `${own}/ignition`,
            'I',
            'Ignition',
            'Sparks. It does not open the fuel.',
            'No sparks. Fuel stays on if it is on.',
          ),
        ]
      : []),
    control(
      `${own}/starter`,
      'E',
      `Starter ${engine}`,
      'It turns the engine. It does not open the fuel.',
      'It no longer turns it. Fuel stays on.',
      turning,
    ),
    control(
      `${own}/fuel`,
      'F',
      `Fuel ${engine}`,
      'Fuel flows. It does not engage the starter.',
      'Fuel is cut. The starter stays on.',
    ),
    control(
      `${own}/second-means`,
      'M',
      '2nd means',
      `The ${sheet.secondMeans}. It shuts the fuel off behind the lever. It does not stop the starter.`,
      'Fuel can flow again.',
    ),
  ];
}

/** What can go wrong at the next start, as the simulator names it. */
export const WRONG = [
  { value: 'nothing', label: 'Nothing goes wrong' },
  { value: 'no-light-off', label: 'No light-off' },
  { value: 'hot', label: 'Hot start' },
  { value: 'rich-control', label: 'Too much fuel' },
  { value: 'hung', label: 'Hung start' },
  { value: 'fan-seized', label: 'No fan rotation' },
  { value: 'no-oil-pressure', label: 'No oil pressure' },
  { value: 'weak-air', label: 'Weak air' },
  { value: 'weak-battery', label: 'Weak battery' },
  { value: 'starter-stuck', label: 'Starter stuck' },
  { value: 'lever-ineffective', label: 'Fuel lever ineffective' },
  { value: 'internal-fire', label: 'Internal fire after a cut' },
  { value: 'feed-lost', label: 'Feed lost in mid-start' },
  { value: 'feed-interrupted', label: 'Feed silent for 12 s' },
  { value: 'sensor-frozen', label: 'Temperature frozen' },
];
