import { Button } from '@mantine/core';
import { Keypad } from './Keypad';
import { typed } from './number';
import styles from './MeasureEntry.module.css';

/** The typed value in large figures with its unit, and the keypad for touch. Digits on the keyboard go straight in. */
export function MeasureEntry({
  label,
  unit,
  hint = 'Type what it shows.',
  action = 'Enter value',
  reads = null,
  typing,
  setTyping,
  enter,
}: {
  label: string;
  unit: string;
  hint?: string;
  /** What its button says. */
  action?: string;
  /** What a feed reads there now; taken when nothing is typed. */
  reads?: string | null;
  typing: string;
  setTyping: (text: string) => void;
  enter: () => void;
}) {
  return (
    <div className={styles.entry}>
      <div className={styles.typed}>
        <label className={styles.value}>
          <span className="unseen">
            {label}, in {unit}
          </span>
          <input
            className={styles.input}
            inputMode="none"
            value={typing}
            aria-describedby="measure-hint"
            onChange={(event) => setTyping([...event.currentTarget.value].reduce(typed, ''))}
            onKeyDown={(event) => {
              if (event.key === 'Enter') {
                event.preventDefault();
                enter();
              }
            }}
          />
          <span className={styles.unit}>{unit}</span>
        </label>
        <p id="measure-hint" className={`small ${styles.hint}`}>
          {reads === null ? hint : `The readings show ${reads} ${unit} now. Take it, or type what you see.`}
        </p>
        <Button
          variant="filled"
          onClick={enter}
          disabled={typing === '' && reads === null}
          rightSection={<span className={styles.key}>Enter</span>}
        >
          {typing === '' && reads !== null ? `Take ${reads} ${unit}` : action}
        </Button>
      </div>
      <Keypad onKey={(key) => setTyping(typed(typing, key))} onErase={() => setTyping(typing.slice(0, -1))} />
    </div>
  );
}
