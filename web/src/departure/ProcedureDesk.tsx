import { Button } from '@mantine/core';
import type { Seat } from '../api/client';
import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { useServerNow } from '../live/useServerNow';
import { countdown } from '../ui/time';
import { Key } from '../ui/Key';
import { Announcer } from '../ui/Announcer';
import { DeviationDialog } from './DeviationDialog';
import { useDeparture, type Work, type WorkLine } from '../live/departureContext';
import { HoldDialog } from './HoldDialog';
import { LateDialog } from './LateDialog';
import { LineCard } from './LineCard';
import { LineRow } from './LineRow';
import { Notices } from './Notices';
import { PanelMap } from './PanelMap';
import styles from './ProcedureDesk.module.css';
import { RestCard } from './RestCard';
import { UndoDialog } from './UndoDialog';
import { useAnswering } from './useAnswering';
import { useKeys } from '../keys/useKeys';
import type { Dialog } from '../ui/DeskDialog';
import { useUnitsOfLine } from '../alignment/useUnitsOfLine';
import { useFactOfLine } from './useFactOfLine';
import { useRoomAhead } from './useRoomAhead';
import { useShortWait } from './useShortWait';
import { canBeLate, canBeRepeated, isSettled, mustWait, placeOfNext, procedureToGoOnWith } from './work';

const BEHIND = 2;
/** Its lanes are the heaviest part of the page: it comes when the desk stands, before it is needed. */
const startDesk = () => import('../start/StartDesk');
const StartDesk = lazy(() => startDesk().then((desk) => ({ default: desk.StartDesk })));

/**
 * The desk of a flow, a checklist or a read-and-do list: the next line large, two behind, as many ahead as fit, and
 * where it is.
 */
export function ProcedureDesk({
  work,
  go,
  meanwhile,
  place: left = null,
  found = null,
  idle,
  ready,
}: {
  work: Work;
  go: (procedure: string) => void;
  /** Goes elsewhere while this procedure waits. */
  meanwhile: (procedure: string) => void;
  /** Where the crew was before. */
  place?: string | null;
  /** The line that was looked up. */
  found?: string | null;
  idle: boolean;
  ready: boolean;
}) {
  const { live, page, works, mine } = useDeparture();
  const navigate = useNavigate();
  const [cursor, setCursor] = useState<number | null>(() => {
    const index = work.lines.findIndex((one) => one.text.ref === found);
    return index < 0 ? null : index;
  });
  const [dialog, setDialog] = useState<Dialog>(null);
  const [draft, setDraft] = useState<{ ref: string; text: string } | null>(null);
  const heading = useRef<HTMLHeadingElement>(null);

  const place = Math.min(cursor ?? placeOfNext(work), work.lines.length - 1);
  // A line that is to be done once more is open again for this page, until it is done.
  const [again, setAgain] = useState<string | null>(null);
  const there = work.lines[place];
  const line: WorkLine | undefined =
    there && again === there.text.ref ? { text: there.text, view: { ...there.view, state: 'OPEN' } } : there;
  // What is typed belongs to its line: the late answer to an earlier one must not take it away.
  const ref = line?.text.ref;
  const typing = draft?.ref === ref ? (draft?.text ?? '') : '';
  // The same function however often the desk is drawn: what waits a while before it types does not begin anew.
  const setTyping = useCallback((text: string) => setDraft(ref === undefined ? null : { ref, text }), [ref]);
  const typed = () => setDraft((current) => (current?.ref === ref ? null : current));
  // After a visit, a closed dialog, or a line whose button is gone, the desk's keys must reach the desk.
  useEffect(() => {
    if (dialog === null && !idle) heading.current?.focus({ preventScroll: true });
  }, [dialog, idle]);
  useEffect(() => {
    // What lies over the desk keeps the focus.
    if (document.activeElement === document.body && !document.querySelector('[aria-modal="true"]'))
      heading.current?.focus({ preventScroll: true });
  }, [line]);
  // When it does not come now, it is asked for again where it is needed.
  useEffect(() => void startDesk().catch(() => undefined), []);
  const before = works.find((other) => other.text.id === left && other !== work && other.view.state !== 'DONE');
  const elsewhere =
    (before && (work.text.occasion === 'ABNORMAL' || before.view.next) ? before : undefined) ??
    procedureToGoOnWith(
      works.filter((other) => other !== work),
      mine?.seat ?? null,
    );
  const goOn = ready
    ? () => void navigate(`/departures/${page.id}`)
    : elsewhere && (elsewhere.view.next || work.view.state === 'DONE')
      ? () => go(elsewhere.text.id)
      : null;
  // An answer brings the desk back to the next line, unless someone has looked elsewhere since it was given.
  const follow = () => {
    setAgain(null);
    setCursor((current) => (current === cursor ? null : current));
  };
  const answering = useAnswering(line, () => {
    follow();
    typed();
  });
  const { lines } = work.text;
  const lookAt = useCallback(
    (index: number) => {
      setDraft(null);
      setAgain(null);
      setCursor(Math.max(0, Math.min(lines.length - 1, index)));
      heading.current?.focus({ preventScroll: true }); // A tapped row must not keep the desk's keys.
    },
    [lines],
  );
  const look = useCallback((tapped: string) => lookAt(lines.findIndex((one) => one.ref === tapped)), [lines, lookAt]);
  const back = () => {
    setCursor(null);
    setDraft(null);
    setAgain(null);
  };
  const resting = cursor === null && (work.view.state === 'DONE' || work.view.held !== undefined);
  // A wait of seconds keeps the crew here, its clock large on the card.
  const short = useShortWait(line);
  const leave = short || !goOn ? null : elsewhere && !ready ? () => meanwhile(elsewhere.text.id) : goOn;
  const room = useRoomAhead(line?.text.ref);
  const fact = useFactOfLine(line);
  const units = useUnitsOfLine(line);
  const undoable =
    line && ((line.view.state !== 'OPEN' && line.view.state !== 'NOT_NEEDED') || line.view.reading !== undefined);

  useKeys(
    (key) => {
      if (key === 'ArrowUp') {
        lookAt(place - 1);
        return true;
      }
      if (key === 'ArrowDown') {
        lookAt(place + 1);
        return true;
      }
      if (key === 'Escape') {
        back();
        live.dismiss();
        return true;
      }
      if (resting) {
        if (key !== ' ') return false;
        if (work.view.held) void live.ask({ ask: 'RESUME', procedure: work.text.id });
        else goOn?.();
        return true;
      }
      if (key === 'D' && line && !isSettled(line)) {
        setDialog('deviation');
        return true;
      }
      if (key === 'A' && line && canBeRepeated(line)) {
        setAgain(line.text.ref);
        return true;
      }
      if (key === 'H') {
        setDialog('hold');
        return true;
      }
      if (key === 'L' && line && canBeLate(line) && !answering.othersPart) {
        setDialog('late');
        return true;
      }
      if (key === 'U' && undoable) {
        setDialog('undo');
        return true;
      }
      if (fact?.press(key, typing, setTyping)) return true;
      if (units?.press(key)) return true;
      if (key === ' ' && line && mustWait(line) && line.text.kind !== 'START' && leave) {
        leave();
        return true;
      }
      // The start's own desk has the key until its engine is at idle.
      if (line?.text.kind === 'START' && line.view.gate && key === ' ') return false;
      return answering.press(key, typing, setTyping);
    },
    !idle && dialog === null,
  );

  // A start that waits for something else than its engine shows its gate like any line.
  const starting =
    line?.text.kind === 'START' && !resting && !line.view.gate?.waits.some((wait) => wait.kind !== 'IDLE');
  const map = page.maps.find((candidate) => candidate.id === work.text.map);
  const close = () => setDialog(null);
  return (
    <section aria-labelledby="procedure-title">
      <header className={styles.head}>
        <h1 id="procedure-title" ref={heading} tabIndex={-1}>
          {work.text.title}
        </h1>
        <span className="small">
          {work.view.done} of {work.view.total}. {work.text.how}
        </span>
        {mine && work.text.seat && <Taken work={work} seat={mine.seat} />}
        {before && (
          <WayBack to={before} go={go} first={work.text.occasion !== 'ABNORMAL' || work.view.state === 'DONE'} />
        )}
      </header>
      <Notices />
      <div className={styles.columns} data-map={map !== undefined || undefined} data-wide={starting || undefined}>
        <div>
          {work.lines.slice(Math.max(0, place - (starting ? 0 : BEHIND)), place).map((row) => (
            <LineRow key={row.text.ref} line={row} look={look} />
          ))}
          {resting || !line ? (
            <RestCard work={work} next={ready ? 'signing' : (elsewhere?.text.title ?? null)} goOn={goOn} />
          ) : starting ? (
            <Suspense fallback={<p>Loading the start.</p>}>
              <StartDesk line={line} answering={answering} open={setDialog} />
            </Suspense>
          ) : (
            <LineCard
              line={line}
              work={work}
              map={map}
              typing={typing}
              setTyping={setTyping}
              answering={answering}
              fact={fact}
              units={units}
              open={setDialog}
              again={() => setAgain(line.text.ref)}
              short={short}
              meanwhile={leave && elsewhere && !ready ? { title: elsewhere.text.title, go: leave } : null}
            />
          )}
          <div ref={room.ref} aria-hidden="true" />
          {work.lines.slice(place + 1, place + 1 + (starting ? 0 : room.rows)).map((row) => (
            <LineRow key={row.text.ref} line={row} look={look} />
          ))}
          {cursor !== null && (
            <Button className={styles.back} onClick={back} rightSection={<Key name="Esc" />}>
              To the next line
            </Button>
          )}
          <p className={`small ${styles.keys}`}>
            <Key name="↑" /> <Key name="↓" /> look back and ahead &nbsp; <Key name="/" /> find a line &nbsp;{' '}
            <Key name="?" /> keys
          </p>
        </div>
        {map && <PanelMap map={map} lines={work.lines} place={place} />}
      </div>
      {line && <DeviationDialog line={line} opened={dialog === 'deviation'} close={close} done={follow} />}
      {line && <LateDialog line={line} opened={dialog === 'late'} close={close} />}
      {line && <UndoDialog line={line} opened={dialog === 'undo'} close={close} />}
      <HoldDialog work={work} at={line?.text.ref} opened={dialog === 'hold'} close={close} />
      <Announcer text={line ? `${line.text.label}, ${line.text.expects}` : ''} />
    </section>
  );
}

/**
 * Back to where the crew was, with one key: loud once what it waited for is there, unless what is displayed comes
 * first, as a list for what went wrong does.
 */
function WayBack({ to, go, first }: { to: Work; go: (procedure: string) => void; first: boolean }) {
  const { view, text } = to;
  return (
    <Button
      className={styles.place}
      variant={view.next && first ? 'filled' : 'default'}
      onClick={() => go(text.id)}
      rightSection={<Key name="B" />}
    >
      Back to {text.title}
      {!view.next && view.opensAt && <Opens at={view.opensAt} />}
    </Button>
  );
}

function Opens({ at }: { at: string }) {
  const wait = Date.parse(at) - useServerNow();
  return wait > 0 ? `, opens in ${countdown(wait)}` : null;
}

/** The other seat's lines are taken over while its owner is away, and given back; the record names it. */
function Taken({ work, seat }: { work: Work; seat: Seat }) {
  const { live, other } = useDeparture();
  const own = work.text.seat === seat;
  const taken = work.view.takenBy;
  if (work.view.state === 'DONE' || (own && !taken)) return null;
  const ask = (back: boolean) => void live.ask({ ask: 'TAKE_LINES', procedure: work.text.id, back });
  if (!taken)
    return (
      <Button className={styles.take} onClick={() => ask(false)}>
        Take these lines over{other ? ` from ${other.person.name}` : ''}
      </Button>
    );
  return (
    <span className={styles.taken}>
      {taken === seat ? 'You have taken these lines over.' : 'The other seat has taken these lines over.'}{' '}
      <Button className={styles.take} onClick={() => ask(true)}>
        {own ? 'Take them back' : 'Give them back'}
      </Button>
    </span>
  );
}
