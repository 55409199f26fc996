import type { Schemas, StartView } from '../api/client';

/** What of a start a crew can tell, and when. */

export type Taps = Schemas['Taps'];
export type Tap = Taps['last'];

/** Whether a rung can be told now. */
export function canTell(tap: Tap, view: StartView): boolean {
  const { taps } = view;
  if (!taps) return false;
  if (tap === 'IGNITION_ON') return true;
  if (!view.running) return false;
  if (tap === 'LIGHT_OFF' || tap === 'IDLE') return taps.fuel;
  return tap !== 'STARTER_OFF' || taps.starter;
}

/** What is asked by now: the earliest question whose time has come. @param since_ms since the starter */
export function asked(
  taps: Taps,
  since_ms: number,
  ms: (duration: string) => number,
): Taps['questions'][number] | null {
  return taps.questions.find((question) => ms(question.due) <= since_ms) ?? null;
}
