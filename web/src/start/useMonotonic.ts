import { useEffect, useState } from 'react';

const TICK_MS = 250;

/** The page's monotonic clock in milliseconds, renewed four times a second. */
export function useMonotonic(): number {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(performance.now()), TICK_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
