import { useSyncExternalStore } from 'react';
import { onTick } from '../live/tick';
import { serverClock } from '../live/useServerNow';
import type { WorkLine } from '../live/departureContext';
import { isShortWait } from './work';

/**
 * Whether a line's clock opens it soon. The desk is drawn anew only when that changes, not with every look at the
 * clock.
 */
export function useShortWait(line: WorkLine | undefined): boolean {
  return useSyncExternalStore(onTick, () => isShortWait(line, serverClock.now()));
}
