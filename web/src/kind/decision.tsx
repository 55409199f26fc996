import { Button } from '@mantine/core';
import type { WorkLine } from '../live/departureContext';
import type { LineKind } from './LineKind';
import styles from './kind.module.css';

function chosen(line: WorkLine) {
  const id = line.view.work?.choice?.chosen;
  return line.text.detail.choices.find((choice) => choice.id === id);
}

const asking = (line: WorkLine, choice: string) => ({ ask: 'CHOOSE' as const, line: line.text.ref, choice });

/** A question; its answers are numbered, and one key gives each. What the record speaks for is offered, not taken. */
export const decision: LineKind = {
  key: null,
  main: () => null,
  request: () => null,
  Entry: ({ line, send }) => (
    <div className={styles.choices} role="group" aria-label={line.text.expects}>
      {line.text.detail.choices.map((choice, index) => (
        <Button
          key={choice.id}
          className={styles.choice}
          onClick={() => send(asking(line, choice.id))}
          leftSection={<span className={styles.number}>{index + 1}</span>}
          variant={line.view.work?.choice?.offered === choice.id ? 'filled' : 'default'}
        >
          {choice.label}
          {line.view.work?.choice?.offered === choice.id && <small>the record speaks for it</small>}
        </Button>
      ))}
    </div>
  ),
  press: (key, { line, send }) => {
    const choice = /^[1-9]$/.test(key) ? line.text.detail.choices[Number(key) - 1] : undefined;
    if (choice) send(asking(line, choice.id));
    return choice !== undefined;
  },
  Outcome: ({ line }) => {
    const taken = chosen(line);
    if (!taken) return null;
    const untaken = line.text.detail.choices.filter((choice) => choice !== taken);
    return (
      <p className={styles.said}>
        <b>{taken.label}</b>
        {taken.ends && `: ${taken.ends}`}. <small>Not taken: {untaken.map((choice) => choice.label).join('; ')}.</small>
      </p>
    );
  },
  word: (line) => chosen(line)?.label ?? null,
};
