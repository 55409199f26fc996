import type { WorkLine } from '../live/departureContext';
import { shownUnit } from '../ui/units';
import styles from './LineCard.module.css';

/** What a line's being needed, or not, rests on; what the operator has decided with its reasons for and against. */
export function Because({ line }: { line: WorkLine }) {
  const words = because(line);
  const schools = line.view.because?.filter((ground) => ground.why !== undefined) ?? [];
  return (
    <>
      {words && <p className={styles.note}>{words}</p>}
      {schools.map((school) => (
        <details key={school.name} className={styles.school}>
          <summary>
            {school.name}: {school.value}, your operator. Why?
          </summary>
          For it: {school.why} Against it: {school.against}
        </details>
      ))}
    </>
  );
}

/** In words without a last full stop; null for a line that is always needed, or of which nothing is known yet. */
export function because({ view }: WorkLine): string | null {
  const known = view.because?.filter((ground) => ground.value !== undefined) ?? [];
  const undecided = view.gate?.waits.some((wait) => wait.kind === 'FACT') ?? false;
  // What the operator has decided is told by itself where the line is worked.
  const told = view.state === 'NOT_NEEDED' ? known : known.filter((ground) => ground.why === undefined);
  if (told.length === 0 || undecided) return null;
  const grounds = told
    .map((ground) => `${ground.name}: ${ground.value}${ground.unit ? ` ${shownUnit(ground.unit)}` : ''}`)
    .join('. ');
  return `${view.state === 'NOT_NEEDED' ? 'Not needed' : 'Needed'} today. ${grounds}`;
}
