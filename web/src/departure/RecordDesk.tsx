import { Button, PasswordInput, Textarea } from '@mantine/core';
import { type FormEvent, useState } from 'react';
import type { Schemas } from '../api/client';
import { shown } from '../ui/number';
import { utc } from '../ui/time';
import { shownUnit } from '../ui/units';
import { useDeparture } from '../live/departureContext';
import { AlignmentOfRecord } from '../alignment/AlignmentOfRecord';
import { ApuOfRecord } from '../apu/ApuOfRecord';
import { CrewOfRecord } from './CrewOfRecord';
import { DayOfRecord } from './DayOfRecord';
import { WorkOfRecord } from './WorkOfRecord';
import { Notices } from './Notices';
import styles from './RecordDesk.module.css';

/** The record: what was read and what deviated; signing it, downloading it, amending it. */
export function RecordDesk() {
  const { page, state, works } = useDeparture();
  const { lifecycle } = state.view;
  const lines = works
    .filter((work) => work.view.state !== 'NOT_NEEDED')
    .flatMap((work) => work.lines)
    .filter((line) => line.view.state !== 'NOT_NEEDED');
  const readings = lines.filter((line) => line.view.reading);
  const deviations = lines.filter((line) => line.view.deviation);
  const head = state.events.at(-1)?.hash;
  return (
    <section aria-labelledby="record-title">
      <h1 id="record-title" className={styles.title}>
        {lifecycle === 'SIGNED' ? 'Signed record' : lifecycle === 'ABANDONED' ? 'Given up' : 'Ready to sign'}
      </h1>
      <p className="small">
        {page.kind === 'REHEARSAL' && <b>Rehearsal. </b>}
        {page.tail}, flight {page.flight}, {page.from} to {page.to}. {lines.length - state.view.openLines} of{' '}
        {lines.length} lines complete, {deviations.length} deviations, {state.events.length} events.
      </p>
      <Notices />
      {lifecycle === 'OFF_BLOCK' && <Signing />}
      <div className={styles.columns}>
        <div>
          <h2>Readings</h2>
          <table className={styles.table}>
            <thead>
              <tr>
                <th scope="col">What</th>
                <th scope="col">Value</th>
                <th scope="col">Limit</th>
                <th scope="col">Margin</th>
                <th scope="col">Read</th>
              </tr>
            </thead>
            <tbody>
              {readings.map(
                ({ text, view }) =>
                  view.reading && (
                    <tr key={text.ref}>
                      <td>
                        {text.label}
                        <small>{view.reading.judgement.source}</small>
                      </td>
                      <td>
                        {shown(view.reading.value, text.detail.measure?.decimals ?? 0)} {shownUnit(view.reading.unit)}
                      </td>
                      <td className={styles.limit}>
                        {text.detail.measure?.min === undefined && text.detail.measure?.max === undefined
                          ? limitOfToday(view.reading, text.detail.measure?.decimals ?? 0)
                          : text.expects}
                      </td>
                      <td>
                        {view.reading.judgement.margin === undefined
                          ? ''
                          : shown(view.reading.judgement.margin, text.detail.measure?.decimals ?? 0)}
                      </td>
                      <td>{utc(view.reading.mark.doneAt)}</td>
                    </tr>
                  ),
              )}
            </tbody>
          </table>
        </div>
        <div>
          <h2>Deviations</h2>
          {deviations.length === 0 && <p>None.</p>}
          <ul className={styles.list}>
            {deviations.map(({ text, view }) => (
              <li key={text.ref}>
                <b>{text.label}</b>: {view.deviation?.reason}. {view.deviation?.mark.by.name},{' '}
                {view.deviation && utc(view.deviation.mark.doneAt)}
              </li>
            ))}
          </ul>
          <CrewOfRecord />
          <WorkOfRecord lines={lines} />
          <ApuOfRecord />
          <AlignmentOfRecord />
          <DayOfRecord />
          <h2>Record</h2>
          <Button component="a" href={`/api/departures/${page.id}/record`} download>
            Download as JSON
          </Button>
          <p className={styles.hash}>
            Head hash <code>{head}</code>
          </p>
          <p className={styles.hash}>
            Sealed by installation <code>{page.sealedBy}</code>
          </p>
          <p className="small">
            “skelda verify” tells anywhere whether the file is unchanged, whose seal it bears, and whether it is
            complete.
          </p>
          {lifecycle === 'SIGNED' && <Amending />}
        </div>
      </div>
    </section>
  );
}

/** The limit that the day has set for a reading. */
function limitOfToday({ value, unit, judgement }: Schemas['ReadingView'], decimals: number): string {
  const { limit, margin = 0 } = judgement;
  if (limit === undefined) return 'none';
  const side = margin === 0 ? 'limit' : Math.sign(value - limit) === Math.sign(margin) ? 'at least' : 'at most';
  return `${side} ${shown(limit, decimals)} ${shownUnit(unit)}`;
}

function Signing() {
  const { live, mine, person } = useDeparture();
  const [password, setPassword] = useState('');
  if (!mine) return <p className={styles.sign}>Only someone who holds a seat can sign.</p>;
  const sign = (event: FormEvent) => {
    event.preventDefault();
    void live.ask({ ask: 'SIGN', password }).then(() => setPassword(''));
  };
  return (
    <form onSubmit={sign} className={styles.sign}>
      <PasswordInput
        label={`Password of ${person.name}`}
        autoComplete="current-password"
        value={password}
        onChange={(event) => setPassword(event.currentTarget.value)}
        autoFocus
      />
      <Button type="submit" variant="filled" disabled={password === ''}>
        Sign the record
      </Button>
      <p className="small">After signing it can only be amended.</p>
    </form>
  );
}

function Amending() {
  const { live, state } = useDeparture();
  const [text, setText] = useState('');
  const amend = (event: FormEvent) => {
    event.preventDefault();
    void live.ask({ ask: 'AMEND', text }).then((accepted) => {
      if (accepted) setText('');
    });
  };
  return (
    <form onSubmit={amend} className={styles.amend}>
      <h2>Amendments</h2>
      <ul className={styles.list}>
        {state.view.amendments.map((note, index) => (
          <li key={`${index} ${note}`}>{note}</li>
        ))}
      </ul>
      <Textarea
        label="Add a note to the signed record"
        value={text}
        onChange={(event) => setText(event.currentTarget.value)}
        autosize
        minRows={2}
        maxLength={2000}
      />
      <Button type="submit" disabled={text.trim() === ''}>
        Amend
      </Button>
    </form>
  );
}
