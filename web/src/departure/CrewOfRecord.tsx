import type { LogEvent, Role, Schemas, Seat } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { utc } from '../ui/time';
import styles from './RecordDesk.module.css';

type Person = Schemas['Person'];

/** What can be told of seats and interruptions; each sentence goes on after the name of who did it. */
type Told =
  | { type: 'SeatTaken'; payload: { seat: Seat; role: Role; tookOverFrom?: Person; reason?: string } }
  | { type: 'SeatReleased'; payload: { seat: Seat } }
  | { type: 'SeatHandedOver'; payload: { seat: Seat; to: Person } }
  | { type: 'HandOverConfirmed'; payload: { seat: Seat } }
  | { type: 'RolesSwapped'; payload: object }
  | { type: 'LinesTaken'; payload: { procedure: string; by?: Seat } }
  | { type: 'ProcedureHeld'; payload: { procedure: string; reason: string } }
  | { type: 'ProcedureResumed'; payload: { procedure: string } };

/** Who sat where and when, and what came between. */
export function CrewOfRecord() {
  const { state, page } = useDeparture();
  const title = (id: string) => page.procedures.find((procedure) => procedure.id === id)?.title ?? id;
  const told = state.events.flatMap((event) => {
    const sentence = sentenceOf(event, title);
    return sentence ? [{ event, sentence }] : [];
  });
  if (told.length === 0) return null;
  return (
    <>
      <h2>Crew and interruptions</h2>
      <ul className={styles.list}>
        {told.map(({ event, sentence }) => (
          <li key={event.seq}>
            <b>{event.actor.name}</b> {sentence}. {utc(event.doneAt ?? event.at)}
          </li>
        ))}
      </ul>
    </>
  );
}

function sentenceOf(event: LogEvent, title: (procedure: string) => string): string | null {
  const told = event as unknown as Told;
  switch (told.type) {
    case 'SeatTaken': {
      const { seat, role, tookOverFrom, reason } = told.payload;
      const from = tookOverFrom ? ` over from ${tookOverFrom.name}${reason ? ` (${reason})` : ''}` : '';
      return `took the ${seat.toLowerCase()} seat${from}, ${role.toLowerCase()}`;
    }
    case 'SeatReleased':
      return `left the ${told.payload.seat.toLowerCase()} seat`;
    case 'SeatHandedOver':
      return `handed the ${told.payload.seat.toLowerCase()} seat over to ${told.payload.to.name}`;
    case 'HandOverConfirmed':
      return `read what stood, and has the ${told.payload.seat.toLowerCase()} seat`;
    case 'RolesSwapped':
      return 'swapped flying and monitoring';
    case 'LinesTaken':
      return told.payload.by
        ? `took over the lines of ${title(told.payload.procedure)}`
        : `gave the lines of ${title(told.payload.procedure)} back`;
    case 'ProcedureHeld':
      return `held ${title(told.payload.procedure)}: ${told.payload.reason}`;
    case 'ProcedureResumed':
      return `went on with ${title(told.payload.procedure)}`;
    default:
      return null;
  }
}
