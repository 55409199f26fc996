import { Button } from '@mantine/core';
import { useState, type ReactNode } from 'react';
import { DeskDialog } from '../ui/DeskDialog';
import { useDeparture } from '../live/departureContext';
import { ReasonForm } from '../ui/ReasonForm';
import { useKeys } from '../keys/useKeys';
import type { EngineLive } from '../live/liveState';
import { serverClock } from '../live/useServerNow';
import { Key } from '../ui/Key';
import { countdown, isoDuration } from '../ui/time';
import { FiguresEntry } from './FiguresEntry';
import { Script } from './Script';
import { rungsToTell, TapLadder } from './TapLadder';
import styles from './TapDesk.module.css';
import { asked, canTell, type Tap, type Taps } from './tapWords';
import { WrongList } from './WrongList';
import { useMonotonic } from '../live/useMonotonic';
import { useTapping, type Tapping } from './useTapping';

interface TapDeskProps {
  engine: number;
  live: EngineLive | undefined;
  /** Whether the start was under way before its first tap, so that its starter's moment is not known. */
  underWay: boolean;
  /** Whether the start's line is done, so that nothing more is told. */
  settled: boolean;
  /** What the script says first is still to be done at once. */
  urgent: boolean;
  /** What can be done with the line itself; it comes first once the engine is at idle. */
  children: ReactNode;
}

/**
 * A start that nothing reads, told tap by tap: what comes next under one key, a question when a window has passed, and
 * what is wrong in the crew's words.
 */
export function TapDesk({ engine, live, underWay, settled, urgent, children }: TapDeskProps) {
  const now = useMonotonic();
  const view = live?.view.taps ? live.view : null;
  const taps = view?.taps ?? null;
  const elapsed = live && view?.running ? (now - live.heardAt) * serverClock.speed() : 0;
  const since = view?.startedAt ? Date.parse(view.at) - Date.parse(view.startedAt) + elapsed : 0;
  const question = taps ? asked(taps, since, isoDuration) : null;
  const cools =
    view !== null &&
    !view.running &&
    Date.parse(view.duty.allowedAt) > Date.parse(view.at) + (live ? (now - live.heardAt) * serverClock.speed() : 0);
  const { state } = useDeparture();
  const first: Tap = state.sheet?.ignitionSwitch ? 'IGNITION_ON' : 'STARTER_ON';
  const next: Tap | null = view ? (taps?.next?.tap ?? null) : underWay ? 'STARTER_ON' : first;
  const nextWords = view
    ? (taps?.next?.words ?? '')
    : underWay
      ? 'Starter is on: tell the rest by taps'
      : first === 'IGNITION_ON'
        ? 'Ignition ON'
        : 'Starter ON';
  const tapping = useTapping(engine, question?.words ?? next ?? '');
  const [wrongs, setWrongs] = useState(false);
  const done = view !== null && !view.running && view.outcome === 'NORMAL';
  const startAgain = () => tapping.press('STARTER_ON', !underWay);

  useKeys(
    (key) => {
      if (wrongs) {
        const wrong = taps?.wrongs[Number(key) - 1];
        setWrongs(false);
        if (wrong) tapping.tell(wrong.tap);
        return wrong !== undefined || key === 'W' || key === 'Escape';
      }
      if (key === 'W' && taps && taps.wrongs.length > 0) {
        setWrongs(true);
        return true;
      }
      if (question && (key === 'Y' || key === 'N')) {
        const answer = key === 'Y' ? question.yes : question.no;
        if (answer) tapping.press(answer, false);
        return true;
      }
      if (key === ' ') {
        if (done || !next) return !done;
        if (next === 'STARTER_ON' && cools) return true;
        if (next === 'STARTER_ON') startAgain();
        else tapping.press(next);
        return true;
      }
      if (!view) return false;
      if (key === 'O' && taps?.fuel && view.running) {
        tapping.tell('FUEL_OFF');
        return true;
      }
      if (key === 'X' && taps?.starter && view.running) {
        tapping.tell('STARTER_OFF');
        return true;
      }
      const rung = view.running && /^[1-9]$/.test(key) ? rungsToTell(view)[Number(key) - 1] : undefined;
      if (rung && canTell(rung, view)) tapping.tell(rung);
      return rung !== undefined;
    },
    !settled,
    'start',
  );

  return (
    <div className={styles.columns}>
      <div>
        {view && view.script.length > 0 ? (
          <>
            <Script steps={view.script} duty={taps?.starter ? null : view.dutyWords} urgent={urgent} />
            <WrongList />
          </>
        ) : view ? (
          <TapLadder view={view} elapsed={elapsed} pending={tapping.pending} tell={tapping.tell} />
        ) : (
          <p>Nothing reads this engine. Tap what you do and see; the clocks and windows run by your taps.</p>
        )}
      </div>
      <div className={styles.now}>
        {(done || settled) && children}
        {view?.running && (
          <p className={styles.watch} aria-hidden="true">
            {countdown(Math.max(0, since - 999))}
            <small> since starter</small>
          </p>
        )}
        {question && <Question question={question} tapping={tapping} />}
        {!question && !done && !settled && next && (
          <Next
            words={nextWords}
            sending={tapping.pending.includes(next)}
            quiet={cools && next === 'STARTER_ON'}
            tell={() => (next === 'STARTER_ON' ? startAgain() : tapping.press(next))}
          />
        )}
        {view?.running && taps && <Levers taps={taps} tapping={tapping} />}
        {taps && view?.running !== undefined && taps.wrongs.length > 0 && (
          <Wrongs taps={taps} armed={wrongs} tapping={tapping} />
        )}
        {view && !view.running && !settled && <FiguresEntry engine={engine} folded={!done} />}
        {taps && !settled && <TakeBack engine={engine} taps={taps} />}
        {!done && !settled && children}
      </div>
    </div>
  );
}

/** `quiet`: it can be told, but it is not what is to be done now. */
function Next({ words, sending, quiet, tell }: { words: string; sending: boolean; quiet: boolean; tell: () => void }) {
  if (quiet)
    return (
      <Button className={styles.back} onClick={tell} aria-busy={sending}>
        {words}
      </Button>
    );
  return (
    <Button
      variant="filled"
      className={styles.next}
      onClick={tell}
      aria-busy={sending}
      rightSection={<span className={styles.key}>Space</span>}
    >
      {words}
    </Button>
  );
}

/** Asked when a window has passed. A yes tells that it happened, not when. */
function Question({ question, tapping }: { question: Taps['questions'][number]; tapping: Tapping }) {
  const { yes, no } = question;
  return (
    <section className={styles.question} role="alert" aria-label="Question">
      <p>
        <b>{question.words}</b>
      </p>
      <div className={styles.answers}>
        <Button onClick={() => tapping.press(yes, false)} rightSection={<Key name="Y" />}>
          {question.yesWords}
        </Button>
        {no && (
          <Button onClick={() => tapping.press(no, false)} rightSection={<Key name="N" />}>
            {question.noWords}
          </Button>
        )}
      </div>
    </section>
  );
}

/** What was done with the hands, told at any time. */
function Levers({ taps, tapping }: { taps: Taps; tapping: Tapping }) {
  return (
    <div className={styles.row}>
      {taps.fuel && (
        <Button onClick={() => tapping.tell('FUEL_OFF')} rightSection={<Key name="O" />}>
          Fuel is off
        </Button>
      )}
      {taps.starter && (
        <Button onClick={() => tapping.tell('STARTER_OFF')} rightSection={<Key name="X" />}>
          Starter is off
        </Button>
      )}
    </div>
  );
}

function Wrongs({ taps, armed, tapping }: { taps: Taps; armed: boolean; tapping: Tapping }) {
  return (
    <section className={styles.wrongs} aria-label="What is wrong" data-armed={armed || undefined}>
      <p className="small">
        <b>What is wrong</b> <Key name="W" />{' '}
        {armed ? 'then the number; Esc steps out' : 'Only what you say here calls for a cut.'}
      </p>
      <div className={styles.row}>
        {taps.wrongs.map((wrong, index) => (
          <Button
            key={wrong.tap}
            onClick={() => tapping.tell(wrong.tap)}
            rightSection={armed ? <Key name={String(index + 1)} /> : undefined}
          >
            {wrong.words}
          </Button>
        ))}
      </div>
    </section>
  );
}

/** Takes the newest tap back: one's own freely, another's with a reason. */
function TakeBack({ engine, taps }: { engine: number; taps: Taps }) {
  const { live, person } = useDeparture();
  const [asking, setAsking] = useState(false);
  const mine = taps.lastBy === person.id;
  const undo = (reason?: string) => {
    setAsking(false);
    void live.ask({ ask: 'UNDO_TAP', engine, tap: taps.last, reason });
  };
  const press = () => {
    if (mine) undo();
    else setAsking(true);
  };
  useKeys(
    (key) => {
      if (key === 'Backspace') press();
      return key === 'Backspace';
    },
    !asking,
    'start',
  );
  return (
    <>
      <Button className={styles.back} onClick={press} rightSection={<Key name="⌫" />}>
        Take back: {taps.lastWords}
      </Button>
      <DeskDialog opened={asking} close={() => setAsking(false)} title={`Take back: ${taps.lastWords}`}>
        <ReasonForm presets={[]} label="Why you take back your colleague's tap" submitLabel="Take back" submit={undo} />
      </DeskDialog>
    </>
  );
}
