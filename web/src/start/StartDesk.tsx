import { Button } from '@mantine/core';
import { useState } from 'react';
import { Announcer } from '../ui/Announcer';
import { Key } from '../ui/Key';
import { useDeparture, useEngines, type WorkLine } from '../live/departureContext';
import type { Dialog } from '../ui/DeskDialog';
import { ExpectedStrip } from './ExpectedStrip';
import { LadderList } from './LadderList';
import { Lanes } from './Lanes';
import { Outcome } from './Outcome';
import { Script } from './Script';
import { SimulatorControls } from './SimulatorControls';
import styles from './StartDesk.module.css';
import { TapDesk } from './TapDesk';
import { Together } from './Together';
import { isBlind, loudness, worstFirst } from './startWords';
import { WrongList } from './WrongList';
import { useSilent } from './useSilent';
import { VerdictBar } from './VerdictBar';
import { useLastGood } from './useLastGood';

/** How the displayed line is answered; `value` is the typed text. */
interface Answering {
  answer(value: string): void;
}

/**
 * The desk of an engine start: what to do now over the whole width, what to look for, what is read, and what follows.
 */
export function StartDesk({
  line,
  answering,
  open,
}: {
  line: WorkLine;
  answering: Answering;
  open: (dialog: Dialog) => void;
}) {
  const { state, mine } = useDeparture();
  const engines = useEngines();
  const [telling, setTelling] = useState(false);
  const number = line.text.detail.engine ?? 1;
  const engine = engines[number];
  const over = useLastGood(number);
  const silents = useSilent({ engines, link: state.link });
  const bars = worstFirst(
    Object.values(engines).filter((one) => one.view.engine === number || one.view.running),
    silents,
  );
  const silent = silents.includes(number);
  const live = state.view.feed !== undefined && state.view.feed.lostAt === undefined;
  // A start that was read until its feed was lost is told only when the crew wants it so.
  const lost = !live && engine?.view.running === true && !engine.view.taps;
  const told =
    mine !== null &&
    state.sheet !== null &&
    (engine?.view.taps !== undefined || (line.view.state === 'OPEN' && !live && (!lost || telling)));
  const script = engine && engine.view.script.length > 0;
  // Beside an engine that starts, the line's own stays in view, whatever has come of it.
  const together = bars.filter((one) => one.view.running || one.view.engine === number);
  const pair = !told && state.sheet !== null && together.length > 1;
  return (
    <article className={styles.desk} data-testid="line-card" data-kind="START" data-state={line.view.state}>
      <h2 className="unseen">{line.text.label}</h2>
      {bars.length === 0 && <VerdictBar engine={number} name={line.text.label} live={null} silent link={state.link} />}
      {bars.map((one) => (
        <VerdictBar
          key={one.view.engine}
          engine={one.view.engine}
          name={one.view.name}
          live={one}
          silent={silents.includes(one.view.engine)}
          link={state.link}
        />
      ))}
      {(!engine || !engine.view.running) && !pair && !script && line.view.state === 'OPEN' && !engine?.view.outcome && (
        <ExpectedStrip engine={number} hardToSee={line.text.hardToSee} />
      )}
      {engine && !pair && !engine.view.running && engine.view.outcome && !script && (
        <Outcome engine={number} live={engine} />
      )}
      {told && (
        <TapDesk
          key={number}
          engine={number}
          live={engine}
          underWay={lost}
          settled={line.view.state !== 'OPEN'}
          urgent={engine !== undefined && loudness(engine.view.verdict.call) === 'act'}
        >
          <Controls line={line} answering={answering} open={open} />
        </TapDesk>
      )}
      {pair && state.sheet && (
        <>
          <Together sheet={state.sheet} lives={together} silents={silents} />
          {together.some((one) => one.view.script.length > 0) ? (
            <WrongList />
          ) : (
            <p className="small">{state.sheet.wrong}</p>
          )}
          <Controls line={line} answering={answering} open={open} />
        </>
      )}
      {!told && !pair && (
        <div className={styles.columns}>
          <div>
            {script ? (
              <Script
                steps={engine.view.script}
                duty={engine.view.dutyWords}
                urgent={loudness(engine.view.verdict.call) === 'act'}
              />
            ) : engine ? (
              <LadderList rungs={engine.view.ladder} silent={silent} />
            ) : null}
            {script && <WrongList />}
            {state.sheet && !script && <p className="small">{state.sheet.wrong}</p>}
            <Controls line={line} answering={answering} open={open} />
          </div>
          {state.sheet && engine ? (
            <Lanes sheet={state.sheet} live={engine} silent={silent} over={over} />
          ) : (
            <NoReadings />
          )}
        </div>
      )}
      {lost && !telling && mine && <Button onClick={() => setTelling(true)}>Tell the rest by taps</Button>}
      {!engine?.view.taps?.starter && !engine?.view.taps?.fuel && <SimulatorControls engine={number} />}
      <Announcer
        text={
          !engine
            ? ''
            : isBlind(engine, silent)
              ? `${engine.view.name}: no data. Use the aircraft's gauges.`
              : engine.view.verdict.sentence
        }
      />
    </article>
  );
}

function Controls({ line, answering, open }: { line: WorkLine; answering: Answering; open: (dialog: Dialog) => void }) {
  const untouched = line.view.state === 'OPEN';
  return (
    <div className={styles.controls}>
      {!line.view.gate && untouched && (
        <Button
          variant="filled"
          className={styles.main}
          onClick={() => answering.answer('')}
          rightSection={<Key name="Space" />}
        >
          {line.text.label} {line.text.expects}
        </Button>
      )}
      {untouched && (
        <Button onClick={() => open('deviation')} rightSection={<Key name="D" />}>
          Deviation
        </Button>
      )}
      {untouched && (
        <Button onClick={() => open('hold')} rightSection={<Key name="H" />}>
          Hold
        </Button>
      )}
      {!untouched && (
        <Button onClick={() => open('undo')} rightSection={<Key name="U" />}>
          Take back
        </Button>
      )}
    </div>
  );
}

function NoReadings() {
  return (
    <div className={styles.none}>
      <p>
        <b>No readings arrive for this engine.</b>
      </p>
      <p>
        Start it by the aircraft's own gauges and its procedure. With a seat you can tell the start by taps, or rehearse
        on the simulated aircraft.
      </p>
    </div>
  );
}
