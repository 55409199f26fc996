import { Button } from '@mantine/core';
import { kinds } from '../kind/kinds';
import { useKeys } from '../keys/useKeys';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { utc } from '../ui/time';
import { Key } from '../ui/Key';
import { shownUnit } from '../ui/units';
import styles from './HandOverDesk.module.css';
import { Notices } from './Notices';
import { known } from './useFactOfLine';
import { isSettled } from './work';

const SHOWN = 6;

/** What the one who takes a seat must know, on one screen: done, open, waiting, deviations, what is unusual today. */
export function HandOverDesk({ from, seat }: { from: string; seat: 'LEFT' | 'RIGHT' }) {
  const { live, works, state, page } = useDeparture();
  const confirm = () => void live.ask({ ask: 'CONFIRM_HAND_OVER', seat });
  useKeys((key) => {
    if (key === 'Enter') confirm();
    return key === 'Enter';
  }, true);
  const needed = works.filter((work) => work.view.state !== 'NOT_NEEDED');
  const lines = needed.flatMap((work) => work.lines);
  const done = needed.filter((work) => work.view.state === 'DONE');
  const begun = needed.filter((work) => work.view.state !== 'DONE' && work.view.done > 0);
  // What is simply later is not told; what a clock opens is.
  const waiting = needed.filter((work) => work.view.opensAt && !work.view.held);
  const held = needed.filter((work) => work.view.held);
  const deviations = lines.filter((line) => line.view.deviation);
  const outside = lines.filter(
    (line) => line.view.state === 'OUTSIDE' && !line.view.work?.findings && !line.view.work?.test,
  );
  const spared = lines.filter((line) => line.view.state === 'NOT_NEEDED');
  const found = lines.filter((line) => line.view.work?.findings || line.view.work?.test?.wrong.length);
  // What is not so today is not unusual.
  const told = state.view.facts.filter((fact) => fact.by && fact.yes !== false);
  return (
    <section aria-labelledby="hand-over-title">
      <h1 id="hand-over-title" className={styles.title}>
        {from} hands the {seat.toLowerCase()} seat over to you
      </h1>
      <Notices />
      <p className={styles.sum}>
        <b>{state.view.openLines}</b> lines are open. Next, {state.view.waitsFor.text}.
      </p>
      <div className={styles.columns}>
        <div>
          <h2>Done</h2>
          <p>{done.length > 0 ? done.map((work) => work.text.title).join(', ') : 'Nothing yet.'}</p>
          <h2>Begun</h2>
          <Few items={begun.map((work) => `${work.text.title}, ${work.view.done} of ${work.view.total}`)} />
          <h2>Waiting</h2>
          <Few
            items={[
              ...held.map((work) => `${work.text.title}, on hold: ${work.view.held?.reason}`),
              ...waiting.map((work) => `${work.text.title}, opens ${utc(work.view.opensAt ?? '')}`),
            ]}
          />
        </div>
        <div>
          <h2>Deviations and what is not as it must be</h2>
          <Few
            items={[
              ...deviations.map((line) => `${line.text.label}: ${line.view.deviation?.reason}`),
              ...found.map((line) => `${line.text.label}: ${word(line)}`),
              ...outside.map((line) => `${line.text.label}: ${word(line)}`),
            ]}
          />
          <h2>Unusual today</h2>
          <Few
            items={[
              ...page.modifications,
              ...told.map((fact) => `${fact.label}: ${known(fact, shownUnit(fact.unit))}`),
              ...(spared.length > 0 ? [`${spared.length} lines are not needed today`] : []),
            ]}
          />
        </div>
      </div>
      <Button variant="filled" className={styles.confirm} onClick={confirm} rightSection={<Key name="Enter" />}>
        I have read it, the seat is mine
      </Button>
    </section>
  );
}

function word(line: WorkLine): string {
  return kinds[line.text.kind].word?.(line) ?? (isSettled(line) ? 'done' : 'open');
}

function Few({ items }: { items: string[] }) {
  if (items.length === 0) return <p>Nothing.</p>;
  return (
    <ul className={styles.list}>
      {items.slice(0, SHOWN).map((item) => (
        <li key={item}>{item}</li>
      ))}
      {items.length > SHOWN && <li>and {items.length - SHOWN} more, in the record</li>}
    </ul>
  );
}
