import type { ReactNode } from 'react';
import { findingInWords } from '../kind/walk';
import { times } from '../kind/indications';
import { kinds } from '../kind/kinds';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { utc } from '../ui/time';
import styles from './RecordDesk.module.css';

/** What the record keeps beside readings: decisions with what was not taken, findings, agreements, schools. */
export function WorkOfRecord({ lines }: { lines: WorkLine[] }) {
  const { page } = useDeparture();
  const decisions = lines.filter((line) => line.view.work?.choice?.chosen);
  const findings = lines.filter((line) => line.view.work?.findings);
  const tests = lines.filter((line) => line.view.work?.test && ['DONE', 'OUTSIDE'].includes(line.view.state));
  const agreed = lines.filter((line) => line.view.work?.agreed);
  const told = lines.filter(
    (line) => ['COMPARE', 'COMMUNICATION', 'CHALLENGE'].includes(line.text.kind) && kinds[line.text.kind].word?.(line),
  );
  return (
    <>
      <Part title="Decisions" none="None was asked for." lines={decisions}>
        {(line) => {
          const chosen = line.text.detail.choices.find((one) => one.id === line.view.work?.choice?.chosen);
          const untaken = line.text.detail.choices.filter((one) => one !== chosen).map((one) => one.label);
          return (
            <>
              {chosen?.label}
              {chosen?.ends && `, ${chosen.ends}`}. Not taken: {untaken.join('; ')}.
            </>
          );
        }}
      </Part>
      <Part title="Findings outside" none="None." lines={findings}>
        {(line) => `${line.view.work?.findings?.map(findingInWords).join('; ')}.`}
      </Part>
      <Part title="Tests of warnings" none="None was made." lines={tests}>
        {(line) => {
          const rounds = line.view.work?.test?.rounds ?? 0;
          return `${kinds[line.text.kind].word?.(line)}${rounds > 0 ? `, begun anew ${times(rounds)}` : ''}.`;
        }}
      </Part>
      <Part title="Agreed before it was moved" none="Nothing that cannot be undone was moved." lines={agreed}>
        {(line) =>
          line.view.work?.agreed?.named
            ? `named aloud: ${line.view.work.agreed.named}.`
            : `with ${line.view.work?.agreed?.with?.name ?? 'the other pilot'}.`
        }
      </Part>
      <Part title="Told and compared" none="Nothing." lines={told}>
        {(line) => `${kinds[line.text.kind].word?.(line)}.`}
      </Part>
      {lines.some((line) => line.view.earlier) && (
        <Part title="Done more than once" none="Nothing." lines={lines.filter((line) => line.view.earlier)}>
          {(line) => `also at ${line.view.earlier?.map((mark) => `${utc(mark.doneAt)}, ${mark.by.name}`).join('; ')}.`}
        </Part>
      )}
      <h2>Schools of the operator</h2>
      {page.options.length === 0 && <p>None.</p>}
      <ul className={styles.list}>
        {page.options.map((option) => (
          <li key={option.id}>
            <b>{option.label}</b>: {option.value}. For it: {option.because} Against it: {option.against}
          </li>
        ))}
      </ul>
    </>
  );
}

function Part({
  title,
  none,
  lines,
  children,
}: {
  title: string;
  none: string;
  lines: WorkLine[];
  children: (line: WorkLine) => ReactNode;
}) {
  return (
    <>
      <h2>{title}</h2>
      {lines.length === 0 && <p>{none}</p>}
      <ul className={styles.list}>
        {lines.map((line) => (
          <li key={line.text.ref}>
            <b>{line.text.label}</b>: {children(line)} {line.view.answered?.by.name},{' '}
            {line.view.answered && utc(line.view.answered.doneAt)}
          </li>
        ))}
      </ul>
    </>
  );
}
