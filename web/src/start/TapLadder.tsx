import { UnstyledButton } from '@mantine/core';
import type { StartView } from '../api/client';
import { Key } from '../ui/Key';
import { isoDuration } from '../ui/time';
import ladder from './LadderList.module.css';
import styles from './TapDesk.module.css';
import { canTell, type Tap } from './tapWords';

const MARK = { DONE: '✓', NOW: '▸', NEXT: '', LATE: '?' } as const;
const WORD = { DONE: 'done', NOW: 'next', NEXT: 'later', LATE: 'its window has passed' } as const;

/** The rungs that can be told, in their order: the digit of each is its key. */
export function rungsToTell(view: StartView): Tap[] {
  return view.ladder.flatMap((rung) => rung.tap ?? []);
}

/** The ladder of a start as tap targets. `elapsed` is the time since its view was made, in milliseconds. */
export function TapLadder({
  view,
  elapsed,
  pending,
  tell,
}: {
  view: StartView;
  elapsed: number;
  pending: Tap[];
  tell: (tap: Tap) => void;
}) {
  const order = rungsToTell(view);
  return (
    <ol className={ladder.ladder} aria-label="What to look for">
      {view.ladder.map((rung) => {
        const tap = rung.tap ?? null;
        // A window that has passed asks; it says nothing by itself.
        const tone = rung.state === 'LATE' ? 'NOW' : rung.state;
        const sending = tap !== null && pending.includes(tap);
        const words = (
          <>
            <span className={ladder.mark} aria-hidden="true">
              {sending ? '…' : MARK[rung.state]}
            </span>
            <span>
              <span className="unseen">{sending ? 'sending' : WORD[rung.state]}: </span>
              <b className={ladder.words}>{rung.words}</b>
              <small>
                {rung.detail}
                {rung.left && rung.state === 'NOW'
                  ? `: ${Math.max(0, Math.ceil((isoDuration(rung.left) - elapsed) / 1000))} s left`
                  : rung.state === 'LATE'
                    ? ': its window has passed'
                    : ''}
              </small>
            </span>
            {tap && rung.state !== 'DONE' && <Key name={String(order.indexOf(tap) + 1)} />}
          </>
        );
        return (
          <li key={rung.tap ?? 'turns-over'}>
            {tap && rung.state !== 'DONE' ? (
              <UnstyledButton
                className={`${ladder.rung} ${styles.rung}`}
                data-state={tone}
                disabled={!canTell(tap, view) || sending}
                onClick={() => tell(tap)}
              >
                {words}
              </UnstyledButton>
            ) : (
              <div className={`${ladder.rung} ${styles.rung}`} data-state={tone}>
                {words}
              </div>
            )}
          </li>
        );
      })}
    </ol>
  );
}
