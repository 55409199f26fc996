import { Button } from '@mantine/core';
import { useEffect } from 'react';
import type { Schemas } from '../api/client';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { Key } from '../ui/Key';
import { utc } from '../ui/time';
import type { Entry, LineKind } from './LineKind';
import styles from './kind.module.css';

type GroupView = Schemas['GroupView'];
type WrongView = Schemas['WrongView'];
type Indication = Schemas['Indication'];

/** How long a group is displayed before all of it can be answered at once: nobody counts lamps faster. */
const LOOK_MS = 1000;

const SHOWS: Record<Indication['way'], string> = { LIGHT: 'lit', MESSAGE: 'shown', SOUND: 'heard' };

/** A group in a phase, as the crew looks at it. */
interface Place {
  view: GroupView;
  phase: string;
  label: string;
  /** What must show, in the order of its keys. */
  expected: Indication[];
  /** What else there is and must not. */
  others: Indication[];
  step: number;
  steps: number;
}

function place(line: WorkLine): Place | null {
  const test = line.text.detail.test;
  const groups = line.view.work?.test?.groups ?? [];
  const index = groups.findIndex((one) => !one.complete);
  const view = groups[index];
  const group = test?.groups.find((one) => one.id === view?.group);
  if (!test || !view || !group) return null;
  return {
    view,
    phase: test.phases.find((one) => one.id === view.phase)?.label ?? view.phase,
    label: group.label,
    expected: group.indications.filter((one) => view.expected.includes(one.id)),
    others: group.indications.filter((one) => !view.expected.includes(one.id)),
    step: index + 1,
    steps: groups.length,
  };
}

const wrongOf = (line: WorkLine): WrongView[] => line.view.work?.test?.wrong ?? [];

/** Whether every group was looked at. */
const isMade = (line: WorkLine) => line.view.state === 'DONE' || line.view.state === 'OUTSIDE';

const isMarkedMissing = (line: WorkLine, { view }: Place, id: string) =>
  wrongOf(line).some((one) => one.phase === view.phase && one.indication === id && one.missing);

const isHere = ({ view, expected, others }: Place, one: WrongView) =>
  one.phase === view.phase && [...expected, ...others].some(({ id }) => id === one.indication);

/** Which group was looked at long enough. */
const looked = (line: WorkLine, { view }: Place) => `${view.phase}/${view.group}/${line.view.work?.test?.rounds ?? 0}`;

const seeing = (line: WorkLine, phase: string, indication: string, lit: boolean) => ({
  ask: 'SEE_INDICATION' as const,
  line: line.text.ref,
  phase,
  indication,
  lit,
});

/** The key of a row: 1 to 9, and 0 for the tenth; further ones have none. */
const keyOf = (index: number): string | null => (index < 9 ? `${index + 1}` : index === 9 ? '0' : null);

/** Marks the one with this number as missing, or, marked before, as seen after all. */
function mark({ line, send }: Entry, here: Place, index: number): void {
  const one = here.expected[index];
  if (one) send(seeing(line, here.view.phase, one.id, isMarkedMissing(line, here, one.id)));
}

function Looking(entry: Entry & { here: Place }) {
  const { line, typing, setTyping, answer, send, here } = entry;
  const token = looked(line, here);
  const others = typing === 'others';
  const ready = typing === token;
  useEffect(() => {
    if (ready || others) return;
    const timer = setTimeout(() => setTyping(token), LOOK_MS);
    return () => clearTimeout(timer);
  }, [token, ready, others, setTyping]);
  const dark = Object.entries(here.view.dark);
  const { fed } = here.view;
  const pressed = fed !== undefined && here.expected.length > 0;
  const earlier = wrongOf(line).filter((one) => !isHere(here, one));
  const also = here.others.filter((one) => fed?.includes(one.id));
  return (
    <div className={styles.looking}>
      <p className={styles.phase}>
        <b>
          {here.phase}: {here.label}
        </b>{' '}
        <small>
          {here.step} of {here.steps}
        </small>
      </p>
      {others ? (
        <div className={styles.others} role="group" aria-label="What else shows">
          {here.others.map((one) => (
            <Button
              key={one.id}
              onClick={() => {
                send(seeing(line, here.view.phase, one.id, true));
                setTyping('');
              }}
            >
              {one.label}: {SHOWS[one.way]}
            </Button>
          ))}
          <Button onClick={() => setTyping('')}>Nothing else</Button>
        </div>
      ) : (
        <div className={styles.buttons}>
          <Button
            variant="filled"
            className={styles.all}
            disabled={!ready}
            onClick={() => answer(typing)}
            rightSection={<span className={styles.space}>Space</span>}
          >
            {allInWords(line, here)}
          </Button>
          {here.others.length > 0 && (
            <Button onClick={() => setTyping('others')} rightSection={<Key name="X" />}>
              Something else shows
            </Button>
          )}
        </div>
      )}
      {here.expected.length === 0 ? (
        <p>Nothing shows.</p>
      ) : (
        <ol className={styles.shows}>
          {here.expected.map((one, index) => {
            const missing = isMarkedMissing(line, here, one.id);
            const word = SHOWS[one.way];
            const dark = fed !== undefined && !fed.includes(one.id);
            return (
              <li key={one.id} data-missing={missing || (pressed && dark) || undefined}>
                <span>
                  {one.label}{' '}
                  <small>
                    {missing ? `not ${word}` : `must be ${word}`}
                    {pressed && `, feed: ${dark ? 'dark' : word}`}
                  </small>
                </span>
                <Button
                  aria-label={missing ? `${one.label}: ${word} after all` : `${one.label}: not ${word}`}
                  onClick={() => mark(entry, here, index)}
                  rightSection={keyOf(index) && <Key name={keyOf(index) ?? ''} />}
                >
                  {missing ? `${word.charAt(0).toUpperCase()}${word.slice(1)} after all` : `Not ${word}`}
                </Button>
              </li>
            );
          })}
        </ol>
      )}
      {dark.map(([id, why]) => (
        <p key={id} className={styles.note}>
          {here.others.find((one) => one.id === id)?.label} stays dark: {why}.
        </p>
      ))}
      {also.length > 0 && (
        <p className={styles.also}>The feed tells beside these: {also.map((one) => one.label).join(', ')}.</p>
      )}
      {earlier.length > 0 && <p className={styles.also}>Before: {earlier.map(wrongInWords).join('; ')}.</p>}
      <LightsLink />
    </div>
  );
}

function allInWords(line: WorkLine, here: Place): string {
  const { fed } = here.view;
  if (fed && here.expected.some((one) => !fed.includes(one.id))) return 'Mark it as the feed tells';
  if (here.expected.length === 0) return 'Nothing shows';
  const missing = here.expected.some((one) => isMarkedMissing(line, here, one.id));
  return missing ? 'The others, and nothing else' : 'All of these, and nothing else';
}

/** Where no real aircraft is, the simulated one shows its lights on a page of its own. */
function LightsLink() {
  const { page, state } = useDeparture();
  const { feed } = state.view;
  if (feed ? !feed.simulated : page.kind !== 'REHEARSAL') return null;
  return (
    // The keys stay with the desk when one comes back to it.
    <a
      href={`/departures/${page.id}/lights`}
      target="_blank"
      rel="noreferrer"
      onClick={(event) => event.currentTarget.blur()}
    >
      The simulated aircraft's lights
    </a>
  );
}

/** What is decided about one that is not as it should be. */
function Deciding({ line, send, one }: Entry & { one: WrongView }) {
  const decide = (verdict: NonNullable<WrongView['verdict']>) =>
    send({
      ask: 'DECIDE_INDICATION',
      line: line.text.ref,
      phase: one.phase,
      indication: one.indication,
      verdict,
    });
  return (
    <div className={styles.settling} role="group" aria-label={`Decision on: ${one.label}`}>
      <b>{wrongInWords(one)}</b>
      <span>
        Seen by {one.seen.by.name}, {utc(one.seen.doneAt)}.
      </span>
      <small>{one.go ?? "Not in the operator's list: maintenance."}</small>
      <div className={styles.buttons}>
        {one.go !== undefined && <Button onClick={() => decide('GO')}>Goes like this</Button>}
        {one.verdict !== 'MAINTENANCE' && <Button onClick={() => decide('MAINTENANCE')}>Maintenance</Button>}
        <Button onClick={() => send(seeing(line, one.phase, one.indication, one.missing))}>
          {one.missing ? 'It shows after all' : 'It is dark after all'}
        </Button>
      </div>
    </div>
  );
}

export const times = (count: number) => (count === 1 ? 'once' : `${count} times`);

const VERDICTS = { GO: "goes by the operator's list", MAINTENANCE: 'with maintenance' };

function wrongInWords(one: WrongView): string {
  const what = `${one.label}: ${one.missing ? 'missing' : 'shows and should not'}`;
  return one.verdict ? `${what}, ${VERDICTS[one.verdict]}` : what;
}

/** A test of warnings: looked at group by group; what is missing, or shows and should not, is decided about. */
export const indications: LineKind = {
  key: ' ',
  main: () => null,
  request: (line, typing) => {
    const here = place(line);
    if (!here || typing !== looked(line, here)) return null;
    return { ask: 'SEE_GROUP', line: line.text.ref, phase: here.view.phase, group: here.view.group };
  },
  Entry: (entry) => {
    const { line, send } = entry;
    const here = place(line);
    if (here) return <Looking {...entry} here={here} />;
    return (
      <div className={styles.looking}>
        {wrongOf(line)
          .filter((one) => one.verdict !== 'GO')
          .map((one) => (
            <Deciding key={`${one.phase} ${one.indication}`} {...entry} one={one} />
          ))}
        <Button
          className={styles.found}
          onClick={() => send({ ask: 'TEST_AGAIN', line: line.text.ref })}
          rightSection={<Key name="R" />}
        >
          Test again
        </Button>
      </div>
    );
  },
  press: (key, entry) => {
    const here = place(entry.line);
    if (!here) {
      if (key === 'R') entry.send({ ask: 'TEST_AGAIN', line: entry.line.text.ref });
      return key === 'R';
    }
    if (key === 'X' && here.others.length > 0) {
      entry.setTyping(entry.typing === 'others' ? '' : 'others');
      return true;
    }
    const index = here.expected.findIndex((_, row) => keyOf(row) === key);
    if (index < 0) return false;
    mark(entry, here, index);
    return true;
  },
  Outcome: ({ line }) => {
    const wrong = isMade(line) ? wrongOf(line).filter((one) => one.verdict === 'GO') : [];
    const rounds = line.view.work?.test?.rounds ?? 0;
    return (
      <>
        {rounds > 0 && <p className={styles.note}>Begun anew {times(rounds)}.</p>}
        {wrong.length > 0 && (
          <ul className={styles.findings}>
            {wrong.map((one) => (
              <li key={`${one.phase} ${one.indication}`}>
                {wrongInWords(one)}. Seen by {one.seen.by.name}, {utc(one.seen.doneAt)}.
                {one.decided && ` Decided by ${one.decided.by.name}, ${utc(one.decided.doneAt)}.`}
              </li>
            ))}
          </ul>
        )}
      </>
    );
  },
  word: (line) => {
    const wrong = wrongOf(line);
    if (!isMade(line)) return null;
    return wrong.length > 0 ? wrong.map(wrongInWords).join('; ') : 'as it must be';
  },
};
