import type { StartView } from '../api/client';
import type { EngineLive, LiveState } from '../live/liveState';

/** What the page of a start works out by itself: nothing but silence, order and wording. */

const SILENT_IN_START_MS = 1500;
const RANK: StartView['verdict']['call'][] = ['SECOND_MEANS', 'CUT_FUEL', 'COMPUTER_STOPS', 'KEEP_TURNING', 'STOP_STARTER', 'BLIND', 'AFTER_CUT', 'ADVISE', 'ON_TRACK', 'RESTING'];

/** How loud a verdict is: to act at once, to know, or quiet. */
export type Loudness = 'act' | 'blind' | 'know' | 'quiet' | 'rest';

export function loudness(call: StartView['verdict']['call']): Loudness {
  switch (call) {
    case 'SECOND_MEANS': case 'CUT_FUEL': case 'KEEP_TURNING': case 'STOP_STARTER': case 'COMPUTER_STOPS': return 'act';
    case 'BLIND': return 'blind';
    case 'AFTER_CUT': case 'ADVISE': return 'know';
    case 'ON_TRACK': return 'quiet';
    case 'RESTING': return 'rest';
  }
}

/** Whether a running start has gone without a reading for too long, or the page without its link. One that is tapped has none to miss. */
export function silentSince(live: EngineLive, now: number, link: LiveState['link']): boolean {
  return live.view.running && !live.view.taps && (link === 'lost' || now - live.heardAt > SILENT_IN_START_MS);
}

/** The engines with the worst verdict first; one without data counts as blind. */
export function worstFirst(engines: EngineLive[], now: number, link: LiveState['link']): EngineLive[] {
  const rank = (live: EngineLive) => RANK.indexOf(silentSince(live, now, link) ? 'BLIND' : live.view.verdict.call);
  return [...engines].sort((a, b) => rank(a) - rank(b) || a.view.engine - b.view.engine);
}

/** "HOT_PREDICTED" as words: "hot predicted". */
export function inLowerWords(code: string): string {
  return code.toLowerCase().replaceAll('_', ' ');
}
