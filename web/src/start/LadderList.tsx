import type { StartView } from '../api/client';
import { isoDuration } from '../ui/time';
import styles from './LadderList.module.css';

type StartRung = StartView['ladder'][number];

/** One thing to look for; PASSED: what comes after it is there, and of this one nobody heard. */
export interface Rung extends Pick<StartRung, 'words' | 'detail' | 'left'> {
  state: StartRung['state'] | 'PASSED';
}

const MARK = { DONE: '✓', NOW: '▸', NEXT: '', LATE: '!', PASSED: '·' } as const;
const WORD = { DONE: 'done', NOW: 'next', NEXT: 'later', LATE: 'late', PASSED: 'passed over' } as const;

/** What to look for next, in order, each with its window. `silent`: nothing is counted while nothing is read. */
export function LadderList({ rungs, silent }: { rungs: Rung[]; silent: boolean }) {
  return (
    <ol className={styles.ladder} aria-label="What to look for">
      {rungs.map((rung) => (
        <li key={rung.words.replace(/[\d.]+/g, '#')} className={styles.rung} data-state={rung.state}>
          <span className={styles.mark} aria-hidden="true">
            {MARK[rung.state]}
          </span>
          <div>
            <span className="unseen">{WORD[rung.state]}: </span>
            <b className={styles.words}>{rung.words}</b>
            <small>
              {rung.detail}
              {rung.left && !silent && rung.state === 'NOW'
                ? `: ${Math.max(0, Math.ceil(isoDuration(rung.left) / 1000))} s left`
                : ''}
            </small>
          </div>
        </li>
      ))}
    </ol>
  );
}
