import styles from './Colleague.module.css';
import { useDeparture } from '../live/departureContext';
import { isComplete } from './work';
import { utc } from '../ui/time';

/** What the other person is doing: their procedure, their next line, and what they answered last. */
export function Colleague() {
  const { other, works, state } = useDeparture();
  if (!other) {
    return (
      <section className={styles.colleague}>
        <h2 className={styles.heading}>The other seat</h2>
        <p className="small">Free. A colleague takes it on a device of their own.</p>
      </section>
    );
  }
  const work = works.find((candidate) => candidate.lines.some((line) => line.text.ref === other.working));
  const line = work?.lines.find((candidate) => candidate.text.ref === other.working);
  const last = [...state.events]
    .reverse()
    .find((event) => event.actor.id === other.person.id && event.subject.startsWith('line:'));
  const lastLine =
    last &&
    works.flatMap((candidate) => candidate.lines).find((candidate) => `line:${candidate.text.ref}` === last.subject);
  return (
    <section className={styles.colleague} aria-label="What the other person is doing">
      <h2 className={styles.heading}>
        {other.person.name}, {other.seat.toLowerCase()} seat
      </h2>
      {work && line ? (
        <p>
          {work.text.title}, {work.view.done} of {work.view.total}
          <br />
          <b>{line.text.label}</b>
        </p>
      ) : (
        <p>Nothing to answer now.</p>
      )}
      {last && lastLine && (
        <p className="small">
          {last.type === 'Undone' ? 'Took back' : isComplete(lastLine) ? 'Answered' : 'Touched'}
          {`: ${lastLine.text.label}, ${utc(last.at, true)}`}
        </p>
      )}
    </section>
  );
}
