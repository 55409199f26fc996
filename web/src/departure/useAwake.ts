import { useEffect } from 'react';

/** Keeps the screen awake while `wanted`, where the browser can; asks again when the page comes back into view. */
export function useAwake(wanted: boolean): void {
  useEffect(() => {
    if (!wanted || !('wakeLock' in navigator)) return undefined;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const ask = async () => {
      if (document.visibilityState !== 'visible') return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (over) await lock.release();
      } catch {
        lock = null; // The device decides, for instance on a low battery; the work goes on.
      }
    };
    void ask();
    document.addEventListener('visibilitychange', ask);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', ask);
      void lock?.release();
    };
  }, [wanted]);
}
