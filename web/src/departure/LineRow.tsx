import { memo } from 'react';
import { useServerNow } from '../live/useServerNow';
import { countdown } from '../ui/time';
import { kinds } from '../kind/kinds';
import type { WorkLine } from '../live/departureContext';
import { because } from './Because';
import styles from './LineRow.module.css';

/**
 * A line behind or ahead of the one displayed: its mark, what it is about, and what it expects or what became of it. A
 * tap displays it (`look`); the arrow keys do the same. It is drawn anew only when it changes.
 */
export const LineRow = memo(function LineRow({ line, look }: { line: WorkLine; look: (ref: string) => void }) {
  const { text, view } = line;
  return (
    <>
      <button type="button" tabIndex={-1} className={styles.row} data-state={view.state} onClick={() => look(text.ref)}>
        <Mark line={line} />
        <span>{text.label}</span>
        <span className={styles.right}>
          {outcome(line) ??
            (view.gate?.opensAt ? (
              <Opens at={view.gate.opensAt} />
            ) : text.kind === 'CAUTION' ? (
              'caution'
            ) : (
              text.expects
            ))}
        </span>
      </button>
      {text.detail.splits && (
        <div className={styles.split} role="separator" aria-label="The line: below it opens with the clearance">
          below the line
        </div>
      )}
    </>
  );
});

function Opens({ at }: { at: string }) {
  return (
    <>
      opens in <b>{countdown(Date.parse(at) - useServerNow())}</b>
    </>
  );
}

function outcome(line: WorkLine): string | null {
  const { text, view } = line;
  if (view.state === 'NOT_NEEDED') return because(line) ?? 'Not needed today';
  if (view.state === 'DEVIATED') return `deviation: ${view.deviation?.reason}`;
  const word = kinds[text.kind].word?.(line);
  if (word) return word;
  return view.state === 'RESPONDED' ? 'waits for the other to confirm' : null;
}

function Mark({ line }: { line: WorkLine }) {
  const { state, gate } = line.view;
  if (state === 'DONE')
    return (
      <span className={styles.mark} role="img" aria-label="done">
        ✓
      </span>
    );
  if (state === 'DEVIATED')
    return (
      <span className={styles.mark} role="img" aria-label="deviation">
        ≠
      </span>
    );
  if (state === 'OUTSIDE')
    return (
      <span className={styles.mark} role="img" aria-label="not as it must be">
        !
      </span>
    );
  if (state === 'NOT_NEEDED')
    return (
      <span className={styles.mark} role="img" aria-label="not needed">
        –
      </span>
    );
  if (!gate || gate.waits.every((wait) => wait.kind === 'ORDER')) return <span className={styles.mark} />;
  return (
    <span className={styles.mark} role="img" aria-label="gate closed">
      <svg width="16" height="16">
        <circle cx="8" cy="8" r="6.5" fill="none" stroke="currentColor" />
        <path d="M8 4v4h3" stroke="currentColor" fill="none" />
      </svg>
    </span>
  );
}
