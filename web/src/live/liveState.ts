import { replaceEqualDeep } from '@tanstack/react-query';
import type {
  CommandRequest,
  DepartureView,
  LogEvent,
  Problem,
  SampleRow,
  StartMessage,
  StartSheet,
  StartView,
} from '../api/client';

/** What a page knows of a departure while it is live. No React, no network, no clock. */
export interface LiveState {
  link: 'connecting' | 'live' | 'lost';
  view: DepartureView;
  /** Log events, oldest first, without gaps from the first that was received. */
  events: LogEvent[];
  devices: number;
  /** A command that was sent and not yet answered. */
  sending: boolean;
  /** What the desk of a start needs once; null before it is known, or when the type's starts cannot be watched. */
  sheet: StartSheet | null;
  /** Every engine of which anything was read, by its number. */
  engines: Record<number, EngineLive>;
  /** Readings of the APU as they came, the newest last; `heardAt` on the page's monotonic clock. */
  apu: { samples: SampleRow[]; heardAt: number };
  /** What the instruments of the electric sources show, by the source; `heardAt` on the page's monotonic clock. */
  power: { sources: PowerReadings; heardAt: number };
  /** Commands that the server could not take, again and again; they wait to be sent once more. */
  aside: { request: CommandRequest; problem: Problem }[];
  /** The newest refusal that nobody has looked at. */
  problem: Problem | null;
}

/** V and A by the source; what is not told is not there. */
export type PowerReadings = Record<string, { voltage_V?: number | null; current_A?: number | null }>;

/** An engine under watch. `heardAt` is when its last reading came, on the page's monotonic clock, in milliseconds. */
export interface EngineLive {
  view: StartView;
  samples: SampleRow[];
  heardAt: number;
}

export type LiveAction =
  | { type: 'heard' }
  | { type: 'silent' }
  | { type: 'logged'; event: LogEvent }
  | { type: 'viewed'; view: DepartureView }
  /** A view with those procedures only that changed since the last one. */
  | { type: 'changed'; view: DepartureView }
  | { type: 'beat'; devices: number }
  | { type: 'sheet'; sheet: StartSheet | null }
  | { type: 'engine'; message: StartMessage; at: number }
  | { type: 'apu'; samples: SampleRow[]; at: number }
  | { type: 'power'; sources: PowerReadings; at: number }
  | { type: 'sent' }
  | { type: 'acknowledged' }
  | { type: 'refused'; problem: Problem }
  | { type: 'aside'; aside: LiveState['aside'] }
  | { type: 'dismissed' };

export function begin(view: DepartureView): LiveState {
  return {
    link: 'connecting',
    view,
    events: [],
    devices: 0,
    sending: false,
    problem: null,
    aside: [],
    sheet: null,
    engines: {},
    apu: { samples: [], heardAt: Number.NEGATIVE_INFINITY },
    power: { sources: {}, heardAt: Number.NEGATIVE_INFINITY },
  };
}

/**
 * A view never gives way to an older one; of two with the same events, the later time wins. What stands as before stays
 * the same object, so that nothing of it is drawn anew.
 */
function newer(known: DepartureView, given: DepartureView): DepartureView {
  const isNewer = given.seq === known.seq ? Date.parse(given.at) >= Date.parse(known.at) : given.seq > known.seq;
  return isNewer ? replaceEqualDeep(known, given) : known;
}

/** A change told whole: the procedures that it does not name stand as they are known. */
function whole(known: DepartureView, change: DepartureView): DepartureView {
  const news = new Map(change.procedures.map((procedure) => [procedure.id, procedure]));
  return { ...change, procedures: known.procedures.map((procedure) => news.get(procedure.id) ?? procedure) };
}

function withEvent(events: LogEvent[], event: LogEvent): LogEvent[] {
  const last = events.at(-1);
  return last && event.seq <= last.seq ? events : [...events, event];
}

const BEFORE_STARTER_MS = 2000;
const MOST_SAMPLES = 6000;

/** Readings join those that are known, in the order of time and each once; those of an earlier attempt go. */
function withReadings(known: EngineLive | undefined, message: StartMessage, at: number): EngineLive {
  const isOlder = known !== undefined && Date.parse(known.view.at) > Date.parse(message.view.at);
  // A start that is tapped runs on the server's clock, one that is read on the feed's own: the two are never compared.
  const isOfKind = known !== undefined && (known.view.taps !== undefined) === (message.view.taps !== undefined);
  if (message.view.taps) return isOlder && isOfKind ? known : { view: message.view, samples: [], heardAt: at };
  const last = known?.samples.at(-1)?.[0] ?? Number.NEGATIVE_INFINITY;
  const times = new Set(known?.samples.map((row) => row[0]));
  const unknown = message.samples.filter((row) => !times.has(row[0] ?? null));
  // Readings that came late stand among those before them; only newer ones tell that the engine is being read.
  const isNewer = unknown.some((row) => (row[0] ?? 0) > last);
  const isLate = unknown.some((row) => (row[0] ?? 0) < last);
  const view = isOlder && isOfKind ? known.view : message.view;
  const begin = view.startedAt ? Date.parse(view.startedAt) - BEFORE_STARTER_MS : Number.NEGATIVE_INFINITY;
  const all = [...(known?.samples ?? []), ...unknown].filter((row) => (row[0] ?? 0) >= begin);
  if (isLate) all.sort((one, other) => (one[0] ?? 0) - (other[0] ?? 0));
  return { view, samples: all.slice(-MOST_SAMPLES), heardAt: isNewer ? at : (known?.heardAt ?? at) };
}

/** A start whose first tap was taken back was none. */
function withoutTakenBack(engines: LiveState['engines'], event: LogEvent): LiveState['engines'] {
  if (event.type !== 'StartTapUndone') return engines;
  const { tap, engine } = event.payload as unknown as { tap: string; engine: number };
  if (tap !== 'STARTER_ON' && tap !== 'IGNITION_ON') return engines;
  return Object.fromEntries(Object.entries(engines).filter(([number]) => Number(number) !== engine));
}

/** Whether nothing came but readings that call for nothing new: they may wait a little for the next ones. */
export function isCalm(before: LiveState, after: LiveState, action: LiveAction): boolean {
  if (before.link !== after.link) return false;
  if (action.type === 'apu' || action.type === 'power' || action.type === 'beat') return true;
  if (action.type !== 'engine') return false;
  const { engine } = action.message.view;
  const was = before.engines[engine]?.view;
  const is = after.engines[engine]?.view;
  return (
    was?.verdict.call === is?.verdict.call &&
    was?.running === is?.running &&
    was?.findings.length === is?.findings.length
  );
}

export function reduce(state: LiveState, action: LiveAction): LiveState {
  switch (action.type) {
    case 'heard':
      return state.link === 'live' ? state : { ...state, link: 'live' };
    case 'silent':
      return state.link === 'lost' ? state : { ...state, link: 'lost' };
    case 'logged':
      return {
        ...state,
        events: withEvent(state.events, action.event),
        engines: withoutTakenBack(state.engines, action.event),
      };
    case 'viewed':
      return { ...state, view: newer(state.view, action.view) };
    case 'changed':
      return { ...state, view: newer(state.view, whole(state.view, action.view)) };
    case 'beat':
      return state.devices === action.devices ? state : { ...state, devices: action.devices };
    case 'sheet':
      return { ...state, sheet: action.sheet };
    case 'engine': {
      const { engine } = action.message.view;
      return {
        ...state,
        engines: { ...state.engines, [engine]: withReadings(state.engines[engine], action.message, action.at) },
      };
    }
    case 'apu': {
      const last = state.apu.samples.at(-1)?.[0] ?? Number.NEGATIVE_INFINITY;
      const unknown = action.samples.filter((row) => (row[0] ?? 0) > last);
      if (unknown.length === 0) return state;
      return {
        ...state,
        apu: { samples: [...state.apu.samples, ...unknown].slice(-MOST_SAMPLES), heardAt: action.at },
      };
    }
    case 'power':
      return { ...state, power: { sources: action.sources, heardAt: action.at } };
    case 'sent':
      return { ...state, sending: true, problem: null };
    case 'acknowledged':
      return { ...state, sending: false };
    case 'refused':
      return { ...state, sending: false, problem: action.problem };
    case 'aside':
      return { ...state, aside: action.aside };
    case 'dismissed':
      return { ...state, problem: null };
  }
}
