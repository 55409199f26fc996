import type { Schemas, StartView } from '../api/client';

/** What of a start a crew can tell, and when. */

export type Taps = Schemas['Taps'];
export type Tap = Taps['last'];
type Milestone = NonNullable<Taps['next']>;

/** The tap of a rung; null for one that is only looked at. */
export function tapOf(milestone: Milestone | undefined): Tap | null {
  if (!milestone || milestone === 'FUEL_ALLOWED') return null;
  return milestone === 'STARTER_OUT' ? 'STARTER_OFF' : milestone;
}

/** Whether a rung can be told now. */
export function canTell(tap: Tap, view: StartView): boolean {
  const { taps } = view;
  if (!taps || !view.running) return false;
  if (tap === 'LIGHT_OFF' || tap === 'IDLE') return taps.fuel;
  return tap !== 'STARTER_OFF' || taps.starter;
}

/** What is asked by now: the earliest question whose time has come. @param since_ms since the starter */
export function asked(taps: Taps, since_ms: number, ms: (duration: string) => number): Taps['questions'][number] | null {
  return taps.questions.find((question) => ms(question.due) <= since_ms) ?? null;
}
