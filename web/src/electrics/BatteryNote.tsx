import type { Schemas } from '../api/client';
import { advised, beside, judged } from './batteryWords';
import styles from './BatteryNote.module.css';

/** What to do with a battery whose volts were read, with the numbers that say so. */
export function BatteryNote({ battery }: { battery: Schemas['BatteryAdvice'] }) {
  return (
    <section className={styles.note} data-kind={battery.kind} aria-label="Battery">
      <p>
        <b>{advised(battery.kind)}.</b> {battery.words}
      </p>
      <ul>
        {battery.numbers.map((number) => (
          <li key={number.name}>{judged(number)}</li>
        ))}
        {battery.others.map((other) => (
          <li key={other.name}>{beside(other)}</li>
        ))}
      </ul>
      <p className="small">Source: {battery.source}. The approved manual has the last word.</p>
    </section>
  );
}
