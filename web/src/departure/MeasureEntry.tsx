import { Button } from '@mantine/core';
import { Keypad } from '../ui/Keypad';
import { typed } from '../ui/number';
import type { WorkLine } from './departureContext';
import styles from './MeasureEntry.module.css';

/** The typed value in large figures with its unit, and the keypad for touch. Digits on the keyboard go straight in. */
export function MeasureEntry({ line, typing, setTyping, enter }: {
  line: WorkLine; typing: string; setTyping: (text: string) => void; enter: () => void;
}) {
  const unit = line.text.measure?.unit ?? '';
  return (
    <div className={styles.entry}>
      <div className={styles.typed}>
        <label className={styles.value}>
          <span className="unseen">{line.text.label}, in {unit}</span>
          <input className={styles.input} inputMode="none" value={typing} aria-describedby="measure-hint"
            onChange={(event) => setTyping([...event.currentTarget.value].reduce(typed, ''))}
            onKeyDown={(event) => { if (event.key === 'Enter') { event.preventDefault(); enter(); } }} />
          <span className={styles.unit}>{unit}</span>
        </label>
        <p id="measure-hint" className={`small ${styles.hint}`}>Type what it shows.</p>
        <Button variant="filled" onClick={enter} disabled={typing === ''} rightSection={<span className={styles.key}>Enter</span>}>Enter value</Button>
      </div>
      <Keypad onKey={(key) => setTyping(typed(typing, key))} onErase={() => setTyping(typing.slice(0, -1))} />
    </div>
  );
}
