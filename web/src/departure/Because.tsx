import type { WorkLine } from '../live/departureContext';
import styles from './LineCard.module.css';

/** What a line's being needed, or not, rests on. */
export function Because({ line }: { line: WorkLine }) {
  const words = because(line);
  return words ? <p className={styles.note}>{words}</p> : null;
}

/** In a sentence; null for a line that is always needed, or of which nothing is known yet. */
export function because({ view }: WorkLine): string | null {
  const known = view.because?.filter((ground) => ground.value !== undefined) ?? [];
  const undecided = view.gate?.waits.some((wait) => wait.kind === 'FACT') ?? false;
  if (known.length === 0 || undecided) return null;
  const grounds = known.map((ground) => `${ground.name} ${ground.value}`).join(', ');
  return view.state === 'NOT_NEEDED' ? `Not needed today: ${grounds}` : `Needed today: ${grounds}`;
}
