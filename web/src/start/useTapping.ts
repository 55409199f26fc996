import { useEffect, useRef, useState } from 'react';
import { serverClock } from '../live/useServerNow';
import { useDeparture } from '../live/departureContext';
import type { Tap } from './tapWords';

const SAME_PRESS_MS = 250;
const UNREAD_MS = 400;

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
  const pressedAt = useRef(Number.NEGATIVE_INFINITY);
  const shownAt = useRef(Number.NEGATIVE_INFINITY);
  const byMe = useRef(true);
  const sending = pending.length > 0;
  useEffect(() => {
    shownAt.current = byMe.current || sending ? Number.NEGATIVE_INFINITY : performance.now();
    byMe.current = false;
    // What changes while one's own taps are on their way changed by them.
  }, [shown]);
  const tell = (tap: Tap, timed = true) => {
    if (pending.includes(tap)) return;
    byMe.current = true;
    setPending((all) => [...all, tap]);
    void live
      .ask({ ask: 'TAP_START', engine, tap, tappedAt: new Date(serverClock.now()).toISOString(), timed })
      .finally(() => setPending((all) => all.filter((one) => one !== tap)));
  };
  const press = (tap: Tap, timed = true) => {
    const at = performance.now();
    if (at - pressedAt.current < SAME_PRESS_MS || at - shownAt.current < UNREAD_MS) return;
    pressedAt.current = at;
    tell(tap, timed);
  };
  return { pending, tell, press };
}
