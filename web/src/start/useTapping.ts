import { useState } from 'react';
import { useOneKey } from '../keys/useOneKey';
import { serverClock } from '../live/useServerNow';
import { useDeparture } from '../live/departureContext';
import type { Tap } from './tapWords';

export interface Tapping {
  /** Taps that are on their way: told, and not acknowledged yet. */
  pending: Tap[];
  /** Tells a tap once, with the moment of the press. @param timed whether it is told as it happens */
  tell(tap: Tap, timed?: boolean): void;
  /** The same by the one key that answers: not twice for one press, and not what came up unread. */
  press(tap: Tap, timed?: boolean): void;
}

/**
 * Tells the start of an engine tap by tap. `shown` is what the one key would answer; it may change by a colleague's
 * tap.
 */
export function useTapping(engine: number, shown: string): Tapping {
  const { live } = useDeparture();
  const [pending, setPending] = useState<Tap[]>([]);
  const key = useOneKey(shown, pending.length > 0);
  const tell = (tap: Tap, timed = true) => {
    if (pending.includes(tap)) return;
    key.told();
    setPending((all) => [...all, tap]);
    void live
      .ask({ ask: 'TAP_START', engine, tap, tappedAt: new Date(serverClock.now()).toISOString(), timed })
      .finally(() => setPending((all) => all.filter((one) => one !== tap)));
  };
  const press = (tap: Tap, timed = true) => key.press(() => tell(tap, timed));
  return { pending, tell, press };
}
