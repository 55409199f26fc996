import { useMemo, useSyncExternalStore } from 'react';
import type { LiveState } from '../live/liveState';
import { onTick } from '../live/tick';
import { isSilent } from './startWords';

/**
 * The numbers of the engines that have gone silent. The desk is drawn anew only when that changes, not with every look
 * at the clock.
 */
export function useSilent({ engines, link }: Pick<LiveState, 'engines' | 'link'>): readonly number[] {
  const silent = useSyncExternalStore(onTick, () =>
    Object.values(engines)
      .filter((one) => isSilent(one, performance.now(), link))
      .map((one) => one.view.engine)
      .join(' '),
  );
  return useMemo(() => silent.split(' ').filter(Boolean).map(Number), [silent]);
}
