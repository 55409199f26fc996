import { memo, useCallback, useRef, useState } from 'react';
import { useServerNow } from '../live/useServerNow';
import { countdown } from '../ui/time';
import { useDeparture, type Work } from '../live/departureContext';
import { Key } from '../ui/Key';
import { lettersToGo } from './work';
import styles from './Thread.module.css';

type Knot = 'done' | 'now' | 'waiting' | 'held' | 'open' | 'spare';
const WORDS: Record<Knot, string> = {
  done: 'done',
  now: 'now',
  waiting: 'waiting',
  held: 'on hold',
  open: 'open',
  spare: 'not needed',
};

/** The whole preparation as one line in working order, with a second strand where two people work at the same time. */
export function Thread({
  selected,
  go,
  going = false,
}: {
  selected: string | null;
  go: (procedure: string) => void;
  /** Whether the letter of a procedure is waited for: each shows its own then. */
  going?: boolean;
}) {
  const { works: all, other } = useDeparture();
  // A list for what went wrong comes up once it is begun, or a decision leads to it.
  const works = all.filter(
    (work) => work.text.occasion !== 'ABNORMAL' || work.view.state !== 'NOT_NEEDED' || work.text.id === selected,
  );
  // The same function as long as the thread stands: what does not change is not drawn anew.
  const newest = useRef(go);
  newest.current = go;
  const goTo = useCallback((procedure: string) => newest.current(procedure), []);
  const [unfolded, setUnfolded] = useState(false);
  const done = works.findIndex(
    (work) => (work.view.state !== 'DONE' && work.view.state !== 'NOT_NEEDED') || work.text.id === selected,
  );
  const letters = going ? lettersToGo(all) : null;
  const folded = !unfolded && !going && done > 1 ? works.slice(0, done) : [];
  const shown = works.slice(folded.length);
  return (
    <ol className={styles.thread}>
      {going && (
        <li className={styles.going} role="status">
          Go to: press a letter. <Key name="T" /> <span className="unseen">T</span> Today
        </li>
      )}
      {folded.length > 0 && (
        <li>
          <button type="button" className={styles.row} onClick={() => setUnfolded(true)}>
            <Mark knot="done" strand={1} first last={false} beside={false} />
            <span className={styles.text}>
              <span className={styles.title}>Preparation</span>
              <small>{folded.length} done, show them</small>
            </span>
          </button>
        </li>
      )}
      {shown.map((work, index) => (
        <ThreadKnot
          key={work.text.id}
          work={work}
          knot={knotOf(work, selected, other?.working ?? null)}
          selected={work.text.id === selected}
          first={index === 0 && folded.length === 0}
          last={index === shown.length - 1}
          beside={work.text.strand === 2 || shown[index + 1]?.text.strand === 2}
          letter={letters?.get(work.text.id)}
          go={goTo}
        />
      ))}
    </ol>
  );
}

/** A procedure on the thread. It is drawn anew only when it changes. */
const ThreadKnot = memo(function ThreadKnot({
  work,
  knot,
  selected,
  first,
  last,
  beside,
  letter,
  go,
}: {
  work: Work;
  knot: Knot;
  selected: boolean;
  first: boolean;
  last: boolean;
  beside: boolean;
  letter: string | undefined;
  go: (procedure: string) => void;
}) {
  return (
    <li>
      <button
        type="button"
        className={styles.row}
        data-knot={knot}
        aria-current={selected ? 'step' : undefined}
        onClick={() => go(work.text.id)}
      >
        <Mark knot={knot} strand={work.text.strand} first={first} last={last} beside={beside} />
        <span className={styles.text}>
          <span className={styles.title}>{work.text.title}</span>
          <small>
            <span className="unseen">{WORDS[knot]}, </span>
            <Detail work={work} />
          </small>
        </span>
        {letter && <Key name={letter} />}
      </button>
    </li>
  );
});

function knotOf(work: Work, selected: string | null, working: string | null): Knot {
  if (work.view.state === 'DONE') return 'done';
  if (work.view.held) return 'held';
  if (work.view.state === 'NOT_NEEDED' && work.text.id !== selected) return 'spare';
  if (work.text.id === selected || work.lines.some((line) => line.text.ref === working)) return 'now';
  return work.view.opensAt || work.view.done > 0 ? 'waiting' : 'open';
}

function Detail({ work }: { work: Work }) {
  const { view } = work;
  if (view.state === 'NOT_NEEDED')
    return { ABNORMAL: 'only when it is needed', ARRIVAL: 'after the flight', ALWAYS: 'not needed today' }[
      work.text.occasion
    ];
  if (view.held) return `on hold: ${view.held.reason}`;
  if (view.state === 'DONE') return `${view.total} done`;
  const count = view.done > 0 ? `${view.done} of ${view.total}` : `${view.total} lines`;
  return view.opensAt ? <Opening at={view.opensAt} count={count} /> : count;
}

function Opening({ at, count }: { at: string; count: string }) {
  const wait = Date.parse(at) - useServerNow();
  return wait > 0 ? `${count}, opens in ${countdown(wait)}` : count;
}

/** The knot and its piece of the line; shape and word tell the state, never colour alone. */
function Mark({
  knot,
  strand,
  first,
  last,
  beside,
}: {
  knot: Knot;
  strand: number;
  first: boolean;
  last: boolean;
  beside: boolean;
}) {
  const x = strand === 2 ? 13 : 30;
  return (
    <svg className={styles.mark} viewBox="0 0 46 46" width="46" height="46" aria-hidden="true">
      <path className={styles.line} d={`M30 ${first ? 22 : 0} V${last ? 22 : 46}`} />
      {strand === 2 && <path className={styles.line} d="M30 0 C30 12 13 6 13 22 C13 38 30 34 30 46" />}
      {strand === 1 && beside && <path className={styles.line} d="M30 22 V46" />}
      {knot === 'done' && (
        <>
          <circle cx={x} cy="22" r="9" className={styles.hollow} />
          <path d={`M${x - 5} 22 l4 4 l7 -9`} className={styles.stroke} />
        </>
      )}
      {knot === 'now' && <circle cx={x} cy="22" r="8" className={styles.now} />}
      {knot === 'waiting' && (
        <>
          <circle cx={x} cy="22" r="7.5" className={styles.clock} />
          <path d={`M${x} 17.5 v4.5 h3.5`} className={styles.thin} />
        </>
      )}
      {knot === 'held' && (
        <>
          <circle cx={x} cy="22" r="10" className={styles.blank} />
          <rect x={x - 6} y="16" width="4" height="12" className={styles.held} />
          <rect x={x + 2} y="16" width="4" height="12" className={styles.held} />
        </>
      )}
      {knot === 'spare' && <path d={`M${x - 4} 22 h8`} className={styles.thin} />}
      {knot === 'open' && <circle cx={x} cy="22" r="5" className={styles.open} />}
    </svg>
  );
}
