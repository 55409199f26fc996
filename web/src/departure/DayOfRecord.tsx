import type { LogEvent } from '../api/client';
import { useDeparture } from '../live/departureContext';
import { utc } from '../ui/time';
import { shownUnit } from '../ui/units';
import { because } from './Because';
import styles from './RecordDesk.module.css';

interface Given {
  fact: string;
  value: number | boolean;
  unit?: string;
  changed: { line: string; becomes: string }[];
}

/** What was told of the day, each time it was told, and what was not needed for it. */
export function DayOfRecord() {
  const { state, works } = useDeparture();
  const given = state.events.filter((event) => event.type === 'FactGiven');
  const all = works.flatMap((work) => work.lines);
  const lines = works.filter((work) => work.view.state !== 'NOT_NEEDED').flatMap((work) => work.lines);
  const spared = lines.filter((line) => line.view.state === 'NOT_NEEDED');
  const late = state.events.filter((event) => event.type === 'ChangeReported');
  if (given.length === 0 && spared.length === 0 && late.length === 0) return null;
  const label = (id: string) => state.view.facts.find((fact) => fact.id === id)?.label ?? id;
  const lineLabel = (ref: string) => all.find((line) => line.text.ref === ref)?.text.label ?? ref;
  return (
    <>
      <h2>The day</h2>
      {late.length > 0 && (
        <ul className={styles.list}>
          {late.map((event) => {
            const change = event.payload as unknown as { words: string; reopened: string[] };
            return (
              <li key={event.seq}>
                <b>Changed late</b>: {change.words}. {by(event)} Done again:{' '}
                {change.reopened.map(lineLabel).join(', ') || 'nothing'}.
              </li>
            );
          })}
        </ul>
      )}
      <ul className={styles.list}>
        {given.map((event) => {
          const fact = event.payload as unknown as Given;
          return (
            <li key={event.seq}>
              <b>{label(fact.fact)}</b>: {words(fact)}. {by(event)}
              {fact.changed.map((change) => (
                <small key={change.line}>
                  {lineLabel(change.line)}: {change.becomes.replaceAll('_', ' ')}
                </small>
              ))}
            </li>
          );
        })}
        {spared.map((line) => (
          <li key={line.text.ref}>
            <b>{line.text.label}</b>: {because(line) ?? 'Not needed today'}.
          </li>
        ))}
      </ul>
    </>
  );
}

function words({ value, unit }: Given): string {
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : `${value} ${shownUnit(unit ?? '')}`;
}

function by(event: LogEvent): string {
  return `${event.actor.name}, ${utc(event.doneAt ?? event.at)}`;
}
