import { Button } from '@mantine/core';
import { useServerNow } from '../live/useServerNow';
import { Key } from '../ui/Key';
import { inWords, utc } from '../ui/time';
import { useDeparture, type Work } from '../live/departureContext';
import styles from './LineCard.module.css';

/** A procedure that has no line to show: complete, or put aside with the place it was left at and for how long. */
export function RestCard({ work, next, goOn }: { work: Work; next: string | null; goOn: (() => void) | null }) {
  const { live } = useDeparture();
  const now = useServerNow();
  const { held } = work.view;
  if (held) {
    const at = work.lines.find((line) => line.text.ref === held.line);
    return (
      <article className={styles.card} data-kind="CAUTION" data-testid="line-card">
        <p className={styles.where}>
          On hold since {utc(held.since)}, by {held.by.name}
        </p>
        <h2 className={styles.label}>Held for {inWords(now - Date.parse(held.since))}</h2>
        <p className={styles.expects}>
          {held.reason}.{' '}
          {at && (
            <>
              You were at: <b>{at.text.label}</b>, {at.text.expects}
            </>
          )}
        </p>
        <div className={styles.controls}>
          <Button
            variant="filled"
            className={styles.main}
            rightSection={<span className={styles.key}>Space</span>}
            onClick={() => void live.ask({ ask: 'RESUME', procedure: work.text.id })}
          >
            Come back
          </Button>
          {goOn && next && next !== 'signing' && <Button onClick={goOn}>Meanwhile: {next}</Button>}
        </div>
      </article>
    );
  }
  return (
    <article className={styles.card} data-testid="line-card">
      <p className={styles.where}>Complete</p>
      <h2 className={styles.label}>{work.text.title} is complete</h2>
      <p className={styles.note}>
        <Key name="↑" /> looks back over its lines.
      </p>
      <div className={styles.controls}>
        {goOn && next && (
          <Button
            variant="filled"
            className={styles.main}
            onClick={goOn}
            rightSection={<span className={styles.key}>Space</span>}
          >
            {next === 'signing' ? 'To signing' : `Go on: ${next}`}
          </Button>
        )}
      </div>
    </article>
  );
}
