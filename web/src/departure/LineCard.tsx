import { Button } from '@mantine/core';
import { useLayoutEffect, useRef } from 'react';
import type { PanelMap } from '../api/client';
import { Key } from '../ui/Key';
import { useDeparture, type Work, type WorkLine } from '../live/departureContext';
import { AlignmentStrip, isOfUnits } from '../alignment/AlignmentStrip';
import type { UnitsOfLine } from '../alignment/useUnitsOfLine';
import { ApuStrip, isOfApu } from '../apu/ApuStrip';
import { GateCard } from './GateCard';
import styles from './LineCard.module.css';
import { Outcome } from './Outcome';
import type { Dialog } from '../ui/DeskDialog';
import { answerKey, type Answering } from './useAnswering';
import { kinds } from '../kind/kinds';
import { useMonotonic } from '../live/useMonotonic';
import { canBeLate, canBeRepeated, isSettled, mustWait } from './work';
import { Because } from './Because';
import { FactEntry } from './FactEntry';
import type { FactOfLine } from './useFactOfLine';

interface LineCardProps {
  line: WorkLine;
  work: Work;
  map: PanelMap | undefined;
  typing: string;
  setTyping: (text: string) => void;
  answering: Answering;
  /** The fact of the day that it waits for. */
  fact: FactOfLine | null;
  /** What it waits for at the inertial units. */
  units: UnitsOfLine | null;
  open: (dialog: Dialog) => void;
  /** Opens a line that may be done once more. */
  again: () => void;
  /** Whether the line waits for seconds only, so that the crew stays with it. */
  short: boolean;
  /** Another procedure to go on with while this line's gate is closed. */
  meanwhile: { title: string; go: () => void } | null;
}

/** The displayed line, large: where the hand goes, what it should show, and the one key that answers it. */
export function LineCard({
  line,
  work,
  map,
  typing,
  setTyping,
  answering,
  fact,
  units,
  open,
  again,
  short,
  meanwhile,
}: LineCardProps) {
  const { text, view } = line;
  const zone = map?.zones.find((candidate) => candidate.id === text.zone)?.label;
  const next = line.text.ref === work.view.next;
  const complete = isSettled(line);
  const { Entry } = kinds[text.kind];
  const card = useRef<HTMLElement>(null);
  const busy = kinds[text.kind].busy?.(typing) ?? false;
  // On a small screen the desk has been scrolled: what is displayed next is seen whole, its name above all.
  useLayoutEffect(() => {
    card.current?.scrollIntoView({ block: 'nearest' });
  }, [text.ref, busy]);
  return (
    <article ref={card} className={styles.card} data-kind={text.kind} data-state={view.state} data-testid="line-card">
      <p className={styles.where}>
        {[
          view.state === 'NOT_NEEDED'
            ? 'Not needed today'
            : complete
              ? 'Done'
              : next
                ? 'Now'
                : view.gate
                  ? 'Waits'
                  : 'Open',
          zone && zone.charAt(0).toLowerCase() + zone.slice(1),
        ]
          .filter(Boolean)
          .join(', ')}
      </p>
      <h2 className={styles.label}>
        {text.kind === 'CAUTION' && <span aria-hidden="true">⚠ </span>}
        {text.label}
      </h2>
      <p className={styles.expects}>
        {['CHALLENGE', 'CALLOUT'].includes(text.kind) ? `“${text.expects}”` : text.expects}
      </p>
      {text.hardToSee && <p className={styles.note}>Hard to see: {text.hardToSee}</p>}
      {marksInWords(line) && <p className={styles.note}>{marksInWords(line)}</p>}
      <Because line={line} />
      {isOfApu(line) && !complete && <ApuStrip line={line} />}
      {isOfUnits(line) && !complete && <AlignmentStrip line={line} next={units} />}
      <Outcome line={line} />
      {view.gate && mustWait(line) && (
        <GateCard gate={view.gate} short={short} meanwhile={meanwhile} taken={units !== null}>
          {fact && <FactEntry fact={fact.fact} typing={typing} setTyping={setTyping} give={fact.give} />}
        </GateCard>
      )}
      {!complete && !mustWait(line) && !answering.othersPart && Entry && (
        <Entry
          key={text.ref}
          line={line}
          hands={answering.hands}
          typing={typing}
          setTyping={setTyping}
          answer={answering.answer}
          send={answering.send}
        />
      )}
      {!busy && <Controls line={line} complete={complete} answering={answering} open={open} again={again} />}
    </article>
  );
}

function Controls({
  line,
  complete,
  answering,
  open,
  again,
}: {
  line: WorkLine;
  complete: boolean;
  answering: Answering;
  open: (dialog: Dialog) => void;
  again: () => void;
}) {
  const { state } = useDeparture();
  const touched = line.view.state !== 'OPEN' && line.view.state !== 'NOT_NEEDED';
  return (
    <div className={styles.controls}>
      {!complete && !mustWait(line) && (
        <MainButton key={line.text.ref} line={line} answering={answering} sending={state.sending} />
      )}
      {!complete && (
        <Button onClick={() => open('deviation')} rightSection={<Key name="D" />}>
          Deviation
        </Button>
      )}
      {!complete && (
        <Button onClick={() => open('hold')} rightSection={<Key name="H" />}>
          Hold
        </Button>
      )}
      {canBeRepeated(line) && (
        <Button onClick={again} rightSection={<Key name="A" />}>
          Do it once more
        </Button>
      )}
      {canBeLate(line) && !answering.othersPart && (
        <Button onClick={() => open('late')} rightSection={<Key name="L" />}>
          Done earlier
        </Button>
      )}
      {touched && (
        <Button onClick={() => open('undo')} rightSection={<Key name="U" />}>
          Take back
        </Button>
      )}
    </div>
  );
}

function MainButton({ line, answering, sending }: { line: WorkLine; answering: Answering; sending: boolean }) {
  const { hands, naming, holdingUntil } = answering;
  const kind = kinds[line.text.kind];
  const agreeing = line.text.marks.heldUntilAgreed && line.view.state === 'RESPONDED';
  const others = agreeing
    ? !hands.alone && line.view.answered?.by.id === hands.personId
      ? `Done. ${hands.otherName ?? 'The other pilot'} agrees.`
      : null
    : (answering.othersPart ?? kind.others?.(line, hands));
  if (others) return <p className={styles.waits}>{others}</p>;
  const label = naming ? `Name it aloud: ${naming}` : agreeing ? 'Agree' : kind.main(line, hands);
  if (label === null) return null;
  const key = naming ? 'Enter' : answerKey(line) === 'Enter' ? 'Enter' : 'Space';
  return (
    <Button
      variant="filled"
      className={styles.main}
      onClick={() => answering.answer('')}
      aria-busy={sending}
      rightSection={<span className={styles.key}>{key}</span>}
    >
      {holdingUntil !== null ? (
        <Holding until={holdingUntil} />
      ) : line.text.detail.holds_s !== undefined ? (
        `Hold ${line.text.detail.holds_s} s, counted`
      ) : (
        label
      )}
    </Button>
  );
}

/** The seconds that a control must still be held. */
function Holding({ until }: { until: number }) {
  const now = useMonotonic();
  return <>Hold: {Math.max(0, (until - now) / 1000).toFixed(1)} s</>;
}

/** What else the line carries, in words. */
function marksInWords(line: WorkLine): string | null {
  const { control, stationary, notSteering, by, heldUntilAgreed } = line.text.marks;
  const words = [
    control && `${control} cannot be undone: agree on it aloud first.`,
    stationary && 'Only while the aircraft stands.',
    notSteering && 'While the aircraft moves, by the one who does not steer.',
    by && `The pilot ${by.toLowerCase()} does it.`,
    heldUntilAgreed && 'Held until the other pilot agrees.',
  ].filter(Boolean);
  return words.length > 0 ? words.join(' ') : null;
}
