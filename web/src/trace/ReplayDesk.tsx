import { Button, NativeSelect } from '@mantine/core';
import { useEffect, useMemo, useState } from 'react';
import { Link } from 'react-router';
import type { Replay, SampleRow } from '../api/client';
import { useKeys } from '../keys/useKeys';
import type { EngineLive } from '../live/liveState';
import { LadderList } from '../start/LadderList';
import { Lanes } from '../start/Lanes';
import { Script } from '../start/Script';
import { loudness, outcomeWords } from '../start/startWords';
import { VerdictBar } from '../start/VerdictBar';
import { Key } from '../ui/Key';
import styles from './ReplayDesk.module.css';
import { frameAt, samplesUntil, stepOf } from './replayTime';

const TICK_MS = 100;
const SPEEDS = [1, 2, 5, 10, 20];

/**
 * The desk of a start, run again from its trace: at one to twenty times life, or wherever the hand puts it. `beside`:
 * the start, for the page that lays it beside others.
 */
export function ReplayDesk({ replay, file, beside }: { replay: Replay; file: string; beside: string }) {
  const first = replay.frames[0]?.at ?? 0;
  const last = replay.frames.at(-1)?.at ?? 0;
  const [at, setAt] = useState(first);
  const [speed, setSpeed] = useState(1);
  const [playing, setPlaying] = useState(false);
  useEffect(() => {
    if (!playing) return undefined;
    const timer = setInterval(
      () =>
        setAt((before) => {
          const next = Math.min(last, before + TICK_MS * speed);
          if (next === last) setPlaying(false);
          return next;
        }),
      TICK_MS,
    );
    return () => clearInterval(timer);
  }, [playing, speed, last]);
  const play = () => {
    if (at === last) setAt(first);
    setPlaying(!playing);
  };
  useKeys((key) => {
    if (key === ' ') {
      play();
      return true;
    }
    const step = stepOf(key);
    if (step === 0) return false;
    setPlaying(false);
    setAt(Math.max(first, Math.min(last, at + step)));
    return true;
  }, true);
  const frame = frameAt(replay.frames, at);
  const samples = useMemo(() => samplesUntil(replay.samples as SampleRow[], at), [replay.samples, at]);
  if (!frame) return <p>This trace holds no readings.</p>;
  const live: EngineLive = { view: frame.view, samples, heardAt: 0 };
  const { script } = frame.view;
  return (
    <main className={styles.desk} aria-label="Replay">
      <div className={styles.bar}>
        <p>
          <b>{replay.title}</b>{' '}
          <span className="small">
            {((at - first) / 1000).toFixed(1)} of {((last - first) / 1000).toFixed(1)} s.
            {replay.late > 0 && ` ${replay.late} more readings came too late to be judged; they are kept.`}
          </span>
        </p>
        <Button variant="filled" onClick={play} rightSection={<Key name="Space" />}>
          {playing ? 'Pause' : 'Play'}
        </Button>
        <NativeSelect
          aria-label="Speed"
          className={styles.speed}
          value={String(speed)}
          onChange={(event) => setSpeed(Number(event.currentTarget.value))}
          data={SPEEDS.map((one) => ({ value: String(one), label: one === 1 ? 'As it was' : `${one} times` }))}
        />
        <input
          type="range"
          className={styles.scrubber}
          aria-label="Moment of the start, s"
          min={0}
          max={(last - first) / 1000}
          step={0.1}
          value={(at - first) / 1000}
          onChange={(event) => {
            setPlaying(false);
            setAt(first + Number(event.currentTarget.value) * 1000);
          }}
        />
        <span className={styles.ways}>
          <Button component={Link} to={`/beside/${beside}`}>
            Beside others
          </Button>
          <Button component="a" href={file} download>
            Save as CSV
          </Button>
        </span>
      </div>
      <VerdictBar engine={frame.view.engine} name={frame.view.name} live={live} silent={false} link="live" />
      <div className={styles.columns}>
        <div>
          {script.length > 0 ? (
            <Script
              steps={script}
              duty={frame.view.starterOnSince ? null : frame.view.dutyWords}
              urgent={loudness(frame.view.verdict.call) === 'act'}
            />
          ) : (
            <LadderList rungs={frame.view.ladder} silent={false} />
          )}
        </div>
        <Lanes sheet={replay.sheet} live={live} silent={false} />
      </div>
      <Findings live={live} />
    </main>
  );
}

/** What had been found by then, and how far the start was from its limits, in figures. */
function Findings({ live }: { live: EngineLive }) {
  const { view } = live;
  return (
    <div className={styles.figures}>
      {view.findings.length > 0 && (
        <ul>
          {view.findings.map((finding) => (
            <li key={`${finding.id} ${finding.at}`}>
              <b>{outcomeWords(finding.id)}:</b> {finding.reason}
            </li>
          ))}
        </ul>
      )}
      {view.margins.length > 0 && (
        <table>
          <caption className="unseen">Margins to limits</caption>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">Value</th>
              <th scope="col">Limit</th>
              <th scope="col">Margin</th>
              <th scope="col">Source</th>
            </tr>
          </thead>
          <tbody>
            {view.margins.map((margin) => (
              <tr key={`${margin.what} ${margin.limit}`}>
                <td>{margin.what}</td>
                <td>
                  {margin.value.toFixed(1)} {margin.unit}
                </td>
                <td>{margin.limit.toFixed(1)}</td>
                <td>{margin.margin.toFixed(1)}</td>
                <td>{margin.source}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
