import { useEffect, useState } from 'react';
import { serverClock } from '../live/useServerNow';
import type { WorkLine } from './departureContext';
import { isShortWait } from './work';

const LOOKS_EVERY_MS = 250;

/** Whether a line's clock opens it soon. The desk is drawn anew only when that changes, not with every look at the clock. */
export function useShortWait(line: WorkLine | undefined): boolean {
  const [short, setShort] = useState(() => isShortWait(line, serverClock.now()));
  useEffect(() => {
    const look = () => setShort(isShortWait(line, serverClock.now()));
    look();
    const timer = setInterval(look, LOOKS_EVERY_MS);
    return () => clearInterval(timer);
  }, [line]);
  return short;
}
