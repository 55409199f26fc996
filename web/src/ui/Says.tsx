import { useServerNow } from '../live/useServerNow';
import styles from './Says.module.css';
import { countdown } from './time';

/** One sentence to go by, how long it holds, and why. `loud`: to be acted on at once, or without data. */
export function Says({
  label,
  says,
  why,
  until,
  loud,
}: {
  label: string;
  says: string;
  why: string | undefined;
  until: string | undefined;
  loud: 'act' | 'blind' | 'quiet';
}) {
  const now = useServerNow();
  const left = until ? Date.parse(until) - now : 0;
  return (
    <section
      className={styles.says}
      data-loud={loud}
      role={loud === 'quiet' ? 'status' : 'alert'}
      aria-label={label}
      data-testid="says"
    >
      <p className={styles.sentence}>
        {loud !== 'quiet' && <span aria-hidden="true">{loud === 'blind' ? '∅ ' : '▲ '}</span>}
        {says}
        {left > 0 && <b className={styles.left}> {countdown(left)}</b>}
      </p>
      {why && <p className={styles.why}>{why}</p>}
    </section>
  );
}
