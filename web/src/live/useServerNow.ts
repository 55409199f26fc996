import { useEffect, useState } from 'react';
import { answered, api } from '../api/client';
import { ServerClock } from './ServerClock';
import { onTick } from './tick';

/** The one server clock of this page. */
export const serverClock = new ServerClock({
  ask: () => answered(api.GET('/api/time')),
  monotonic: () => performance.now(),
});

let synced: Promise<void> | null = null;

/** The server's time in milliseconds, renewed four times a second. */
export function useServerNow(): number {
  const [now, setNow] = useState(() => serverClock.now());
  useEffect(() => {
    synced ??= serverClock.sync().catch(() => {
      synced = null;
    });
    return onTick(() => setNow(serverClock.now()));
  }, []);
  return now;
}
