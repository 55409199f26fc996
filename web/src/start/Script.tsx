import { countdown, isoDuration } from '../ui/time';
import type { StartView } from '../api/client';
import styles from './LadderList.module.css';

/** Longer words stand smaller, so that the step itself stays in view. */
const LONG = 70;
const MARK = { DONE: '✓', NOW: '▸', NEXT: '', ALSO: '·' } as const;
const WORD = { DONE: 'done', NOW: 'now', NEXT: 'later', ALSO: 'besides' } as const;

/**
 * What follows a cut, step by step, with what is left of each time. `duty`: whether the starter may engage again, said
 * once another attempt is all that is left. `urgent`: the first step is still to be done at once.
 */
export function Script({ steps, duty, urgent }: { steps: StartView['script']; duty: string | null; urgent: boolean }) {
  const again = steps.some((step) => step.act === 'START_AGAIN' && step.state === 'NOW' && !step.left);
  return (
    <section aria-label="What to do now">
      <ol className={styles.ladder}>
        {steps.map((step) => (
          <li
            key={step.words.replace(/\d+/g, '#')}
            className={styles.rung}
            data-script=""
            data-state={step.state}
            data-urgent={(urgent && step.state === 'NOW') || undefined}
          >
            <span className={styles.mark} aria-hidden="true">
              {MARK[step.state]}
            </span>
            <div>
              <span className="unseen">{WORD[step.state]}: </span>
              <b className={styles.words} data-long={step.words.length > LONG || undefined}>
                {step.words}
              </b>
              {step.left && <small>{countdown(isoDuration(step.left))} left</small>}
            </div>
          </li>
        ))}
      </ol>
      {again && duty && <p className="small">{duty}.</p>}
    </section>
  );
}
