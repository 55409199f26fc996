import type { DepartureView, LogEvent, Problem } from '../api/client';

/** What a page knows of a departure while it is live. No React, no network, no clock. */
export interface LiveState {
  link: 'connecting' | 'live' | 'lost';
  view: DepartureView;
  /** Log events, oldest first, without gaps from the first that was received. */
  events: LogEvent[];
  devices: number;
  /** A command that was sent and not yet answered. */
  sending: boolean;
  /** The newest refusal that nobody has looked at. */
  problem: Problem | null;
}

export type LiveAction =
  | { type: 'heard' }
  | { type: 'silent' }
  | { type: 'logged'; event: LogEvent }
  | { type: 'viewed'; view: DepartureView }
  | { type: 'beat'; devices: number }
  | { type: 'sent' }
  | { type: 'accepted'; view: DepartureView }
  | { type: 'acknowledged' }
  | { type: 'refused'; problem: Problem }
  | { type: 'dismissed' };

export function begin(view: DepartureView): LiveState {
  return { link: 'connecting', view, events: [], devices: 0, sending: false, problem: null };
}

/** A view never gives way to an older one; of two with the same events, the later time wins. */
function newer(known: DepartureView, given: DepartureView): DepartureView {
  if (given.seq !== known.seq) return given.seq > known.seq ? given : known;
  return Date.parse(given.at) >= Date.parse(known.at) ? given : known;
}

function withEvent(events: LogEvent[], event: LogEvent): LogEvent[] {
  const last = events.at(-1);
  return last && event.seq <= last.seq ? events : [...events, event];
}

export function reduce(state: LiveState, action: LiveAction): LiveState {
  switch (action.type) {
    case 'heard':
      return state.link === 'live' ? state : { ...state, link: 'live' };
    case 'silent':
      return state.link === 'lost' ? state : { ...state, link: 'lost' };
    case 'logged':
      return { ...state, events: withEvent(state.events, action.event) };
    case 'viewed':
      return { ...state, view: newer(state.view, action.view) };
    case 'beat':
      return state.devices === action.devices ? state : { ...state, devices: action.devices };
    case 'sent':
      return { ...state, sending: true, problem: null };
    case 'accepted':
      return { ...state, sending: false, view: newer(state.view, action.view) };
    case 'acknowledged':
      return { ...state, sending: false };
    case 'refused':
      return { ...state, sending: false, problem: action.problem };
    case 'dismissed':
      return { ...state, problem: null };
  }
}
