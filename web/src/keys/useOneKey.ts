import { useEffect, useRef } from 'react';

const SAME_PRESS_MS = 250;
const UNREAD_MS = 400;

/** The one key that answers. */
export interface OneKey {
  /** Answers, unless the key was pressed just now, or what it would answer came up unread. */
  press(answer: () => void): void;
  /** Something was told by hand: what it brings up is expected, and may be answered at once. */
  told(): void;
}

/**
 * One press, one answer. `shown` is what the key would answer; what changes it by one's own hand is expected, what a
 * colleague or a reading brings up waits for an eye. `sending`: what changes now changes by what was told just before.
 */
export function useOneKey(shown: string | undefined, sending = false): OneKey {
  const byMe = useRef(true);
  const shownAt = useRef(Number.NEGATIVE_INFINITY);
  const pressedAt = useRef(Number.NEGATIVE_INFINITY);
  useEffect(() => {
    shownAt.current = byMe.current || sending ? Number.NEGATIVE_INFINITY : performance.now();
    byMe.current = false;
  }, [shown]);
  return {
    press(answer) {
      const at = performance.now();
      if (at - pressedAt.current < SAME_PRESS_MS || at - shownAt.current < UNREAD_MS) return;
      pressedAt.current = at;
      byMe.current = true;
      answer();
    },
    told() {
      byMe.current = true;
    },
  };
}
