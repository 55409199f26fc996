import { Button } from '@mantine/core';
import type { CommandRequest, Problem } from '../api/client';
import { useKeys } from '../keys/useKeys';
import { Key } from '../ui/Key';
import { utc } from '../ui/time';
import { useDeparture, type Work } from '../live/departureContext';
import styles from './Notices.module.css';

/** What stands in the way: a lost link, or a refusal with what was kept and what to do. */
export function Notices() {
  const { state, live, mine, works } = useDeparture();
  const { problem } = state;
  useKeys((key) => {
    if (key === 'R') live.sendAside();
    return key === 'R';
  }, state.aside.length > 0);
  const last = state.events.at(-1);
  const reopened = last?.type === 'Undone' ? ((last.payload as { reopened?: string[] }).reopened ?? []) : [];
  const names = reopened.map((ref) => labelOf(ref, works));
  const undone =
    last?.type === 'ChangeReported' ? (last.payload as unknown as { words: string; reopened: string[] }) : null;
  const change =
    state.view.factChange && state.view.factChange.seq >= state.view.seq - (undone ? 1 : 0)
      ? state.view.factChange
      : undefined;
  return (
    <>
      {state.link === 'lost' && (
        <div className={styles.notice} data-tone="warn" role="alert">
          <b>✕ No link.</b> What was acknowledged is kept.{' '}
          {state.sending
            ? 'Your answer is not acknowledged yet; it is sent again until it is.'
            : 'This page tries again by itself.'}
        </div>
      )}
      {problem && (
        <div className={styles.notice} data-tone="caution" role="alert">
          <div>
            <b>! {problem.title}.</b> {newer(problem) ?? problem.detail} {problem.todo} {problem.kept}
          </div>
          <Button onClick={() => live.dismiss()} rightSection={<Key name="Esc" />}>
            Close
          </Button>
        </div>
      )}
      {state.aside.length > 0 && (
        <div className={styles.notice} data-tone="warn" role="alert">
          <div>
            <b>! {state.aside.length === 1 ? 'One answer is' : `${state.aside.length} answers are`} set aside.</b> The
            server could not take {state.aside.length === 1 ? 'it' : 'them'} ({state.aside.at(-1)?.problem.detail})
            Nothing of {state.aside.length === 1 ? 'it' : 'them'} is lost:{' '}
            {state.aside.map(({ request }) => words(request, works)).join('; ')}.
          </div>
          <Button onClick={() => live.sendAside()} rightSection={<Key name="R" />}>
            Send again
          </Button>
        </div>
      )}
      {mine && change && (
        <div className={styles.notice} role="status">
          {change.label}: {change.lines.length === 1 ? 'one line changes' : `${change.lines.length} lines change`},{' '}
          {change.lines.map((ref) => labelOf(ref, works)).join(', ')}.
        </div>
      )}
      {mine && undone && (
        <div className={styles.notice} data-tone="caution" role="status">
          <b>! {undone.words}.</b>{' '}
          {undone.reopened.length === 0
            ? 'Nothing that was done has to be done again.'
            : `${undone.reopened.length} ${undone.reopened.length === 1 ? 'thing' : 'things'} to redo: `}
          {undone.reopened.map((ref) => labelOf(ref, works)).join(', ')}
        </div>
      )}
      {mine && names.length > 0 && (
        <div className={styles.notice}>
          Taking that back re-opened {names.length}: {names.join(', ')}.
        </div>
      )}
    </>
  );
}

function labelOf(ref: string, works: Work[]): string {
  return works.flatMap((work) => work.lines).find((line) => line.text.ref === ref)?.text.label ?? ref;
}

/** What a command asked for, in short. */
function words(request: CommandRequest, works: Work[]): string {
  const line = works.flatMap((work) => work.lines).find((one) => 'line' in request && one.text.ref === request.line);
  return [
    request.ask.toLowerCase().replaceAll('_', ' '),
    line?.text.label,
    'tap' in request && request.tap.toLowerCase().replaceAll('_', ' '),
  ]
    .filter(Boolean)
    .join(' ');
}

/** Who did what in the meantime, for a conflict; null for all else. */
function newer(problem: Problem): string | null {
  const event = problem.newer.at(-1) as { actor?: { name: string }; at?: string } | undefined;
  return event?.actor && event.at ? `${event.actor.name} was there first, at ${utc(event.at, true)}.` : null;
}
