import type { StartView } from '../api/client';
import type { EngineLive, LiveState } from '../live/liveState';

/** What the page of a start works out by itself: nothing but silence, order and wording. */

const SILENT_IN_START_MS = 1500;
const RANK: StartView['verdict']['call'][] = [
  'SECOND_MEANS',
  'CUT_FUEL',
  'COMPUTER_STOPS',
  'KEEP_TURNING',
  'STOP_STARTER',
  'BLIND',
  'HAND_DUE',
  'AFTER_CUT',
  'ADVISE',
  'ON_TRACK',
  'RESTING',
];

/** How loud a verdict is: to act at once, a hand that is due, to know, or quiet. */
export type Loudness = 'act' | 'blind' | 'hand' | 'know' | 'quiet' | 'rest';

export function loudness(call: StartView['verdict']['call']): Loudness {
  switch (call) {
    case 'SECOND_MEANS':
    case 'CUT_FUEL':
    case 'KEEP_TURNING':
    case 'STOP_STARTER':
    case 'COMPUTER_STOPS':
      return 'act';
    case 'BLIND':
      return 'blind';
    case 'HAND_DUE':
      return 'hand';
    case 'AFTER_CUT':
    case 'ADVISE':
      return 'know';
    case 'ON_TRACK':
      return 'quiet';
    case 'RESTING':
      return 'rest';
  }
}

/**
 * Whether a running start has gone without a reading for too long, or the page without its link. One that is tapped has
 * none to miss.
 */
export function isSilent(live: EngineLive, now: number, link: LiveState['link']): boolean {
  return live.view.running && !live.view.taps && (link === 'lost' || now - live.heardAt > SILENT_IN_START_MS);
}

/**
 * Whether no word stands any more for want of readings. What was called to be done at once stands until it is seen
 * done.
 */
export function isBlind(live: EngineLive, silent: boolean): boolean {
  return (silent && loudness(live.view.verdict.call) !== 'act') || live.view.verdict.call === 'BLIND';
}

/**
 * The engines with the worst verdict first; one without data counts as blind. @param silent the numbers of those that
 * are silent
 */
export function worstFirst(engines: EngineLive[], silent: readonly number[]): EngineLive[] {
  const rank = (live: EngineLive) =>
    RANK.indexOf(isBlind(live, silent.includes(live.view.engine)) ? 'BLIND' : live.view.verdict.call);
  return [...engines].sort((a, b) => rank(a) - rank(b) || a.view.engine - b.view.engine);
}

const OUTCOMES: Record<string, string> = {
  NORMAL: 'normal',
  UNKNOWN: 'not known, readings were missing',
  CREW_ABORT: 'aborted by the crew',
  DRY_MOTOR: 'dry motored',
  INCOMPLETE: 'not finished',
  LOW_SUPPLY: 'low supply',
  DIP_LOW: 'dip too low',
  NO_ROTATION: 'no rotation',
  NO_OIL_PRESSURE: 'no oil pressure',
  NO_FAN_ROTATION: 'fan or propeller did not turn',
  FUEL_EARLY: 'fuel too early',
  RESIDUAL_HOT: 'fuel on a hot engine',
  IGNITION_MISSING: 'fuel without ignition',
  IGNITION_LATE: 'ignition after fuel',
  NO_LIGHT_OFF: 'no light-off',
  FLOW_HIGH: 'fuel flow too high',
  HOT_PREDICTED: 'cut on the forecast, would have been hot',
  HOT_START: 'hot start',
  HUNG_START: 'hung start',
  STARTER_TIME: 'starter on too long',
  STARTER_OVERRUN: 'starter overrun',
  STARTER_EARLY_OUT: 'starter out too early',
  STARTER_REENGAGED: 'starter engaged too fast',
  RELIGHT_AFTER_CUT: 'fuel again after the cut',
  NOT_CLEARED: 'fuel before the engine was cleared',
  OIL_LOW_AT_IDLE: 'oil pressure low at idle',
  AUTO_STOP_FAILED: 'start computer did not stop it',
  CUT_NOT_EFFECTIVE: 'cut without effect',
  INTERNAL_FIRE: 'internal fire',
  SLOW_TO_IDLE: 'slow to idle',
  IDLE_ABNORMAL: 'idle out of its usual band',
  FIRE_WARNING: 'fire warning',
  CREW_CALL: 'stopped on a call',
};

/** An outcome or a finding as people say it. */
export function outcomeWords(code: string): string {
  return OUTCOMES[code] ?? code.toLowerCase().replaceAll('_', ' ');
}
