import styles from '../ui/Clock.module.css';
import { countdown } from '../ui/time';
import type { StartClock } from './startClock';

/** The clocks of engines that are being started. */
export function StartClocks({ clocks }: { clocks: StartClock[] }) {
  return clocks.map((clock) => (
    <div key={clock.words} className={styles.clock}>
      <div className={styles.time} aria-hidden="true">
        {countdown(clock.ms)}
      </div>
      <div>{clock.words}</div>
      {clock.share !== null && (
        <div className={styles.bar} aria-hidden="true">
          <i style={{ width: `${Math.min(100, Math.max(0, clock.share * 100))}%` }} />
        </div>
      )}
    </div>
  ));
}
