import { useEffect, useState } from 'react';
import { onTick } from './tick';

/** The page's monotonic clock in milliseconds, renewed four times a second. */
export function useMonotonic(): number {
  const [now, setNow] = useState(() => performance.now());
  useEffect(() => onTick(() => setNow(performance.now())), []);
  return now;
}
