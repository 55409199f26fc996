import { useEffect, useRef } from 'react';
import { parsed, typed } from '../ui/number';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { isSettled } from './work';

const SAME_PRESS_MS = 250;
const UNREAD_MS = 400;

export interface Answering {
  /** Ticks the displayed line, confirms it, or sends the typed value, whichever it needs; `value` is the typed text. */
  answer(value: string): void;
  /** Handles a key for the displayed line; tells whether it was one. */
  press(key: string, typing: string, setTyping: (text: string) => void): boolean;
}

/** Answers the line that is displayed, and only that: not twice for one press, and not a line that came up unread. */
export function useAnswering(line: WorkLine | undefined, done: () => void): Answering {
  const { live, person } = useDeparture();
  const answeredAt = useRef(Number.NEGATIVE_INFINITY);
  const shownAt = useRef(Number.NEGATIVE_INFINITY);
  const byMe = useRef(true);
  const ref = line?.text.ref;
  useEffect(() => {
    shownAt.current = byMe.current ? Number.NEGATIVE_INFINITY : performance.now();
    byMe.current = false;
  }, [ref]);

  const answer = (value: string) => {
    const at = performance.now();
    // A typed value is no second press of the same key.
    const tooSoon = line?.text.kind !== 'MEASURE' && at - answeredAt.current < SAME_PRESS_MS;
    if (!line || tooSoon || at - shownAt.current < UNREAD_MS) return;
    if (isSettled(line) || line.view.gate) return;
    const asked = request(line, value, person.id);
    if (!asked) return;
    answeredAt.current = at;
    byMe.current = true;
    void live.ask(asked).then((accepted) => {
      if (accepted) done();
    });
  };

  const press = (key: string, typing: string, setTyping: (text: string) => void): boolean => {
    byMe.current = key.startsWith('Arrow') || key === 'Escape' || byMe.current;
    if (!line || isSettled(line)) return key === ' ';
    const { kind } = line.text;
    if (kind === 'MEASURE') {
      if (/^[0-9.,-]$/.test(key)) {
        setTyping(typed(typing, key));
        return true;
      }
      if (key === 'Backspace') {
        setTyping(typing.slice(0, -1));
        return true;
      }
      if (key === 'Enter') {
        answer(typing);
        return true;
      }
      return key === ' ';
    }
    if (key === (kind === 'CAUTION' ? 'Enter' : ' ')) {
      answer('');
      return true;
    }
    return key === ' ';
  };
  return { answer, press };
}

function request(line: WorkLine, value: string, personId: string) {
  const { ref, kind, measure } = line.text;
  if (kind === 'MEASURE') {
    const number = parsed(value);
    return number === null || !measure
      ? null
      : { ask: 'MEASURE' as const, line: ref, value: number, unit: measure.unit };
  }
  if (kind === 'CHALLENGE' && line.view.answered) {
    return line.view.answered.by.id === personId ? null : { ask: 'CONFIRM' as const, line: ref };
  }
  return { ask: 'ANSWER' as const, line: ref };
}
