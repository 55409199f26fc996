import { useEffect, useState } from 'react';
import { onTick } from '../live/tick';
import { serverClock } from '../live/useServerNow';
import type { WorkLine } from './departureContext';
import { isShortWait } from './work';

/** Whether a line's clock opens it soon. The desk is drawn anew only when that changes, not with every look at the clock. */
export function useShortWait(line: WorkLine | undefined): boolean {
  const [short, setShort] = useState(() => isShortWait(line, serverClock.now()));
  useEffect(() => {
    const look = () => setShort(isShortWait(line, serverClock.now()));
    look();
    return onTick(look);
  }, [line]);
  return short;
}
