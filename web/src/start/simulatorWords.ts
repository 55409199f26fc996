import type { Schemas, StartSheet } from '../api/client';
import type { EngineLive } from '../live/liveState';
import { shown } from '../ui/number';

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
const FUEL_COLUMN = 8;
const ENGINES = [1, 2, 3, 4];

/** The controls of a type for one engine, in the order in which a start uses them. */
export function controlsFor(
  sheet: StartSheet,
  engine: number,
  positions: Record<string, string>,
  engines: Record<number, EngineLive>,
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
  /** What is on until somebody switches it off. */
  const fromTheBeginning = (name: string) => positions[name] !== 'off';
  // A starter drops out by itself: what the feed says counts, not the last press.
  const turning = engines[engine]?.samples.at(-1)?.[STARTER_COLUMN] === 1;
  /** One that ran before the simulated aircraft came was moved by nobody. */
  const fuelled = (one: number) =>
    positions[`engine-${one}/fuel`] === undefined
      ? engines[one]?.samples.at(-1)?.[FUEL_COLUMN] === 1
      : positions[`engine-${one}/fuel`] === 'on';
  const ground = sheet.electric
    ? [
        control(
          'ground-power',
          'B',
          'Ground power',
          'It feeds the bus, softly at first. The battery stays as it is.',
          'Battery and generators carry the bus, if they are on it. Fuel stays as it is.',
        ),
        control(
          'battery',
          'J',
          'Battery',
          'On the bus, beside whatever feeds it.',
          'Off the bus. Without ground power nothing is left for the starter; fuel stays as it is.',
          fromTheBeginning('battery'),
        ),
      ]
    : [
        control(
          'air',
          'A',
          'Ground air',
          'A cart gives air to the ducts. It does not open a start valve.',
          'The cart gives none. What APU or engines give stays; so does fuel.',
        ),
      ];
  const valve = sheet.crossBleed
    ? [
        control(
          'cross-bleed',
          'X',
          'Valve',
          'The ducts are joined: air reaches both sides.',
          'Each side has its own air only. A starter beyond it gets none; fuel stays as it is.',
          fromTheBeginning('cross-bleed'),
        ),
      ]
    : [];
  const held = sheet.canBeHeld
    ? [
        control(
          'held',
          'Y',
          'Selector held',
          'No speed drops the starter out. Letting go stops only the starter.',
          'Automatic: the starter drops out at its speed. Fuel stays as it is.',
        ),
      ]
    : [];
  const ignition = sheet.ignitionSwitch
    ? [
        control(
          `${own}/ignition`,
          'I',
          'Ignition',
          'Sparks. It does not open the fuel.',
          'No sparks. Fuel stays on if it is on.',
        ),
      ]
    : [];
  const hands = sheet.automatic
    ? [
        control(
          `${own}/fuel`,
          'F',
          `Master ${engine}`,
          'The start computer begins: starter, ignition, fuel by its own speeds. It does not watch fan, oil or duct.',
          'Fuel and ignition off. It does not stop the starter: that turns the engine until it is cool.',
          fuelled(engine),
        ),
        control(
          `${own}/starter`,
          'E',
          `Motor ${engine}`,
          'The starter turns it, master OFF. No fuel, no ignition.',
          'It no longer turns it.',
        ),
      ]
    : [
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
          fuelled(engine),
        ),
      ];
  return [
    ...ground,
    ...valve,
    control(
      'packs',
      'N',
      sheet.electric ? 'Heavy loads' : 'Packs',
      'They take their share of the start.',
      'All is left for the start.',
      positions.packs === undefined
        ? (positions['what-goes-wrong'] ?? '').includes('packs-left-on')
        : positions.packs === 'on',
    ),
    ...held,
    ...ignition,
    ...hands,
    ...stage(sheet, engine, fuelled, control),
    control(
      `${own}/second-means`,
      'M',
      '2nd means',
      `The ${sheet.secondMeans}. It shuts the fuel off behind the lever. It does not stop the starter.`,
      'Fuel can flow again.',
    ),
  ];
}

/** High idle is the engine's own; thrust for a cross-bleed is that of one that runs. */
function stage(
  sheet: StartSheet,
  engine: number,
  fuelled: (one: number) => boolean,
  control: (name: string, key: string, short: string, on: string, off: string) => Control,
): Control[] {
  if (sheet.secondStage) {
    return [
      control(
        `engine-${engine}/second-stage`,
        'T',
        `High idle ${engine}`,
        'The second stage of the lever; from there its generator carries. It does not stop the starter.',
        'Low idle. Its generator carries nothing. Fuel stays on.',
      ),
    ];
  }
  const giving = ENGINES.find((one) => one !== engine && fuelled(one));
  return sheet.electric || giving === undefined
    ? []
    : [
        control(
          `engine-${giving}/second-stage`,
          'T',
          `Thrust ${giving}`,
          `Engine ${giving} gives more air, and blows harder: the area behind it must be clear.`,
          `Engine ${giving} at idle: less air. It does not stop it.`,
        ),
      ];
}

/** What can go wrong at the next start, as the simulator names it. @param sheet of the type: only what it can have */
export function wrongFor(sheet: StartSheet): { value: string; label: string }[] {
  return WRONG.filter((one) => !one.only || one.only(sheet)).map(({ value, label }) => ({ value, label }));
}

const air = (sheet: StartSheet) => !sheet.electric;
const electric = (sheet: StartSheet) => sheet.electric;

const WRONG: { value: string; label: string; only?: (sheet: StartSheet) => boolean }[] = [
  { value: 'nothing', label: 'Nothing goes wrong' },
  { value: 'no-light-off', label: 'No light-off' },
  { value: 'no-fuel', label: 'No fuel' },
  { value: 'hot', label: 'Hot start' },
  {
    value: 'hot,computer-stops-nothing',
    label: 'Hot, and the computer stops nothing',
    only: (sheet) => sheet.automatic,
  },
  { value: 'rich-control', label: 'Too much fuel' },
  { value: 'hung', label: 'Hung start' },
  { value: 'hot-restart', label: 'Heat of a run before' },
  { value: 'tail-wind', label: 'Wind from behind' },
  { value: 'fan-seized', label: 'No fan or propeller' },
  { value: 'no-oil-pressure', label: 'No oil pressure' },
  { value: 'weak-air', label: 'Weak air', only: air },
  { value: 'weak-battery', label: 'Weak battery', only: electric },
  { value: 'packs-left-on', label: 'Packs or loads left on' },
  { value: 'anti-ice-left-on', label: 'Anti-ice left on', only: air },
  { value: 'ground-power-lost', label: 'Ground power lost in mid-start', only: electric },
  { value: 'sheared-shaft', label: 'Starter shaft sheared' },
  { value: 'starter-stuck', label: 'Starter stuck' },
  { value: 'lever-ineffective', label: 'Fuel lever ineffective', only: (sheet) => !sheet.automatic },
  { value: 'internal-fire', label: 'Internal fire after a cut' },
  { value: 'feed-lost', label: 'Feed lost in mid-start' },
  { value: 'feed-interrupted', label: 'Feed silent for 12 s' },
  { value: 'sensor-lost', label: 'Temperature lost' },
  { value: 'sensor-frozen', label: 'Temperature frozen' },
  { value: 'sensor-noisy', label: 'Temperature noisy' },
];

/** How it stood before its first start. */
export const SOAKED = [
  { value: 'air', label: 'as warm as the air' },
  { value: '-35', label: 'cold through, −35 °C' },
  { value: '-20', label: 'cold through, −20 °C' },
  { value: '40', label: 'heated by the sun, 40 °C' },
];

/** In what weather it stands, in words. */
export function standsIn({ oat_c, tailWind_kt, soak_c }: Schemas['Surroundings']): string {
  const kt = Math.round(Math.abs(tailWind_kt));
  const wind = kt < 1 ? 'calm' : `${kt} kt from ${tailWind_kt > 0 ? 'behind' : 'ahead'}`;
  const soaked = Math.abs(soak_c - oat_c) < 0.5 ? '' : `; its own warmth ${shown(soak_c, 0)} °C`;
  return `It stands in ${shown(oat_c, 0)} °C, ${wind}${soaked}.`;
}

export const SEVERITIES = [
  { value: '1', label: 'at its worst' },
  { value: '0.7', label: 'badly' },
  { value: '0.4', label: 'a little' },
];

export const MOMENTS = [
  { value: '0', label: 'from the start' },
  { value: '10', label: '10 s after the starter' },
  { value: '20', label: '20 s after the starter' },
  { value: '30', label: '30 s after the starter' },
];

/** What is wrong, how bad, and from when. */
export interface Wrong {
  what: string;
  severity: string;
  after: string;
}

/** How a position of the control reads. */
export function wrongFrom(position: string | undefined): Wrong {
  const [first = 'nothing', ...more] = (position ?? 'nothing').split(',');
  const [name = 'nothing', severity = '1', after = '0'] = first.split(':');
  return { what: [name, ...more].join(','), severity, after };
}

/** How the control's position is written. */
export function wrongTo({ what, severity, after }: Wrong): string {
  const [first = 'nothing', ...more] = what.split(',');
  if (first === 'nothing') return 'nothing';
  const how = after === '0' ? (severity === '1' ? '' : `:${severity}`) : `:${severity}:${after}`;
  return [`${first}${how}`, ...more].join(',');
}
