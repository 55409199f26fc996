import { Button } from '@mantine/core';
import styles from './Keypad.module.css';

const KEYS = ['7', '8', '9', '-', '4', '5', '6', '.', '1', '2', '3', '0'];

/**
 * Our own keypad for numbers: touch targets that append to a text. `onKey` gets a digit, a sign or a point; `onErase`
 * takes the last away.
 */
export function Keypad({ onKey, onErase }: { onKey: (key: string) => void; onErase: () => void }) {
  return (
    <div className={styles.pad} role="group" aria-label="Keypad">
      {KEYS.map((key) => (
        <Button
          key={key}
          className={styles.key}
          onClick={() => onKey(key)}
          aria-label={{ '-': 'minus', '.': 'point' }[key] ?? key}
          tabIndex={-1}
        >
          {key === '-' ? '−' : key}
        </Button>
      ))}
      <Button className={styles.wide} onClick={onErase} tabIndex={-1}>
        Erase
      </Button>
    </div>
  );
}
