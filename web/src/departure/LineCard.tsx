import { Button } from '@mantine/core';
import type { PanelMap } from '../api/client';
import { Key } from '../ui/Key';
import { useDeparture, type Work, type WorkLine } from '../live/departureContext';
import { GateCard } from './GateCard';
import styles from './LineCard.module.css';
import { MeasureEntry } from '../ui/MeasureEntry';
import { Outcome } from './Outcome';
import type { Dialog } from '../ui/DeskDialog';
import type { Answering } from './useAnswering';
import { shownUnit } from '../ui/units';
import { isSettled } from './work';
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
  open: (dialog: Dialog) => void;
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
  open,
  short,
  meanwhile,
}: LineCardProps) {
  const { text, view } = line;
  const zone = map?.zones.find((candidate) => candidate.id === text.zone)?.label;
  const next = line.text.ref === work.view.next;
  const complete = isSettled(line);
  return (
    <article className={styles.card} data-kind={text.kind} data-state={view.state} data-testid="line-card">
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
      <p className={styles.expects}>{text.kind === 'CHALLENGE' ? `“${text.expects}”` : text.expects}</p>
      {text.hardToSee && <p className={styles.note}>Hard to see: {text.hardToSee}</p>}
      {text.measure && !view.reading && <p className={styles.note}>Source of the limit: {text.measure.source}.</p>}
      <Because line={line} />
      <Outcome line={line} />
      {view.gate && (
        <GateCard gate={view.gate} short={short} meanwhile={meanwhile}>
          {fact && <FactEntry fact={fact.fact} typing={typing} setTyping={setTyping} give={fact.give} />}
        </GateCard>
      )}
      {!complete && !view.gate && text.kind === 'MEASURE' && (
        <MeasureEntry
          label={text.label}
          unit={shownUnit(text.measure?.unit ?? '')}
          typing={typing}
          setTyping={setTyping}
          enter={() => answering.answer(typing)}
        />
      )}
      <Controls line={line} complete={complete} answer={() => answering.answer('')} open={open} />
    </article>
  );
}

function Controls({
  line,
  complete,
  answer,
  open,
}: {
  line: WorkLine;
  complete: boolean;
  answer: () => void;
  open: (dialog: Dialog) => void;
}) {
  const { state } = useDeparture();
  const touched = line.view.state !== 'OPEN' && line.view.state !== 'NOT_NEEDED';
  return (
    <div className={styles.controls}>
      {!complete && !line.view.gate && line.text.kind !== 'MEASURE' && (
        <MainButton key={line.text.ref} line={line} answer={answer} sending={state.sending} />
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
      {!complete && !line.view.gate && (
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

function MainButton({ line, answer, sending }: { line: WorkLine; answer: () => void; sending: boolean }) {
  const { person, other } = useDeparture();
  const { kind, responder } = line.text;
  const given = line.view.answered;
  if (kind === 'CHALLENGE' && given?.by.id === person.id) {
    return (
      <p className={styles.waits}>
        Your response is given.{' '}
        {other ? `${other.person.name} confirms.` : 'The other pilot confirms; the seat is free.'}
      </p>
    );
  }
  const label =
    kind === 'CHALLENGE'
      ? given
        ? 'Confirm'
        : responder === 'FLYING'
          ? 'Flying answers'
          : 'Monitoring answers'
      : kind === 'CAUTION'
        ? 'Understood'
        : kind === 'GATE'
          ? 'Go'
          : 'Done';
  const key = kind === 'CAUTION' ? 'Enter' : 'Space';
  return (
    <Button
      variant="filled"
      className={styles.main}
      onClick={answer}
      aria-busy={sending}
      rightSection={<span className={styles.key}>{key}</span>}
    >
      {label}
    </Button>
  );
}
