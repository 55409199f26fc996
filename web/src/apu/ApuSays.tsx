import { useServerNow } from '../live/useServerNow';
import { countdown } from '../ui/time';
import type { ApuView } from './apuWords';
import styles from './ApuDesk.module.css';

/** One sentence to go by, how long it holds, and why. `silent`: its readings have stopped while it turns. */
export function ApuSays({ apu, silent }: { apu: ApuView; silent: boolean }) {
  const now = useServerNow();
  const left = apu.until ? Date.parse(apu.until) - now : 0;
  const says = silent ? 'APU: no data' : apu.says;
  const why = silent ? "Use the aircraft's gauges." : apu.why;
  return (
    <section
      className={styles.says}
      data-loud={silent ? 'blind' : apu.alarm ? 'act' : 'quiet'}
      role={silent || apu.alarm ? 'alert' : 'status'}
      aria-label="APU"
      data-testid="apu-says"
    >
      <p className={styles.sentence}>
        {(apu.alarm || silent) && <span aria-hidden="true">{silent ? '∅ ' : '▲ '}</span>}
        {says}
        {!silent && left > 0 && <b className={styles.left}> {countdown(left)}</b>}
      </p>
      {why && <p>{why}</p>}
    </section>
  );
}
