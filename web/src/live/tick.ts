const TICK_MS = 250;

const listeners = new Set<() => void>();
let timer: ReturnType<typeof setInterval> | undefined;

/**
 * Four times a second, for all clocks of the page in one go, so that the page is drawn once for all of them. @returns
 * ends it
 */
export function onTick(listener: () => void): () => void {
  listeners.add(listener);
  timer ??= setInterval(() => {
    Array.from(listeners).forEach((one) => one());
  }, TICK_MS);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(timer);
    timer = undefined;
  };
}
