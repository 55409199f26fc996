import { useEffect, useRef, useState } from 'react';
import type { Entry, Hands } from '../kind/LineKind';
import { kinds } from '../kind/kinds';
import { gaugeShows } from '../electrics/gauge';
import type { Asked } from '../live/DepartureLive';
import { useDeparture, type WorkLine } from '../live/departureContext';
import { isSettled, mustWait, othersPart } from './work';

const SAME_PRESS_MS = 250;
const UNREAD_MS = 400;

export interface Answering {
  /** Works the displayed line in the way of its kind; `typing` is what was typed for it. */
  answer(typing: string): void;
  /** Asks for something else about the displayed line than its one answer. */
  send(asked: Asked): void;
  /** Handles a key for the displayed line; tells whether it was one. */
  press(key: string, typing: string, setTyping: (text: string) => void): boolean;
  hands: Hands;
  /** Whose hand it is, in place of the one answer; null where it is this page's. */
  othersPart: string | null;
  /** What must be named in a second step before it is done; null when nothing must. */
  naming: string | null;
  /** Until when a control is held, on the page's own clock; null when none is. */
  holdingUntil: number | null;
}

/** Whose hands are at this page. */
export function useHands(): Hands {
  const { person, mine, other, page } = useDeparture();
  return {
    personId: person.id,
    role: mine?.role ?? null,
    otherName: other?.person.name ?? null,
    alone: page.pilots.min === 1 && other === null,
  };
}

/** Answers the line that is displayed, and only that: not twice for one press, and not a line that came up unread. */
export function useAnswering(line: WorkLine | undefined, done: () => void): Answering {
  const { live, state } = useDeparture();
  const hands = useHands();
  const others = line ? othersPart(line, hands, state.view.moves) : null;
  const answeredAt = useRef(Number.NEGATIVE_INFINITY);
  const shownAt = useRef(Number.NEGATIVE_INFINITY);
  const byMe = useRef(true);
  const [armed, setArmed] = useState<string | null>(null);
  const [holding, setHolding] = useState<{ ref: string; until: number } | null>(null);
  const ref = line?.text.ref;
  useEffect(() => {
    shownAt.current = byMe.current ? Number.NEGATIVE_INFINITY : performance.now();
    byMe.current = false;
    setArmed(null);
    setHolding(null);
  }, [ref]);
  const naming = line && hands.alone ? mustBeNamed(line) : null;

  const ask = (asked: Asked) => {
    answeredAt.current = performance.now();
    byMe.current = true;
    void live.ask(asked).then((accepted) => {
      setArmed(null);
      if (accepted) done();
    });
  };

  /** Whether it is too soon after another answer, or after the line came up; or whether it is not to be worked now. */
  const unfit = (shown: WorkLine) => {
    const at = performance.now();
    // A typed value is no second press of the same key.
    const again = !kinds[shown.text.kind].typed?.(shown) && at - answeredAt.current < SAME_PRESS_MS;
    return again || at - shownAt.current < UNREAD_MS || isSettled(shown) || mustWait(shown);
  };

  const answer = (typing: string) => {
    if (!line || others !== null || unfit(line)) return;
    // Nothing typed takes what the instrument shows, where a feed reads it.
    const shows = typing === '' ? gaugeShows(line.text.detail.measure, live.snapshot(), performance.now()) : null;
    const asked = answered(line, shows ?? typing, hands);
    if (!asked) return;
    if (naming !== null && armed !== line.text.ref) {
      setArmed(line.text.ref);
      return;
    }
    const { holds_s } = line.text.detail;
    if (holds_s === undefined) ask(asked);
    else if (!holding) setHolding({ ref: line.text.ref, until: performance.now() + holds_s * 1000 });
  };

  // A held control is let go by itself when its seconds are up.
  useEffect(() => {
    if (!holding || !line || holding.ref !== line.text.ref) return;
    const timer = setTimeout(
      () => {
        setHolding(null);
        const asked = answered(line, '', hands);
        if (asked) ask(asked);
      },
      Math.max(0, holding.until - performance.now()),
    );
    return () => clearTimeout(timer);
  }, [holding]);

  const send = (asked: Asked) => {
    if (line && !isSettled(line)) ask(asked);
  };

  const press = (key: string, typing: string, setTyping: (text: string) => void): boolean => {
    byMe.current = key.startsWith('Arrow') || key === 'Escape' || byMe.current;
    if (!line || isSettled(line) || others !== null) return key === ' ';
    const kind = kinds[line.text.kind];
    const entry: Entry = { line, hands, typing, setTyping, answer, send };
    if (!mustWait(line) && kind.press?.(key, entry)) return true;
    // The second step is another key than the first: the same one pressed twice is no deliberation.
    const expected = naming !== null && armed === line.text.ref ? 'Enter' : answerKey(line);
    if (key === expected) {
      answer(typing);
      return true;
    }
    return key === ' ';
  };
  return {
    answer,
    send,
    press,
    hands,
    othersPart: others,
    naming: naming !== null && armed === ref ? naming : null,
    holdingUntil: holding?.ref === ref ? (holding?.until ?? null) : null,
  };
}

/** The key that answers a line. */
export function answerKey(line: WorkLine): ' ' | 'Enter' | null {
  return line.text.detail.own ? 'Enter' : kinds[line.text.kind].key;
}

function waitsForAgreement(line: WorkLine): boolean {
  return line.text.marks.heldUntilAgreed && line.view.state === 'RESPONDED';
}

/** What one who is alone must name in a second step before it is done; null when nothing. */
function mustBeNamed(line: WorkLine): string | null {
  return line.text.marks.control ?? (waitsForAgreement(line) ? line.text.label : null);
}

function answered(line: WorkLine, typing: string, hands: Hands): Asked | null {
  if (waitsForAgreement(line)) {
    if (hands.alone) return { ask: 'CONFIRM', line: line.text.ref, named: line.text.label };
    return line.view.answered?.by.id === hands.personId ? null : { ask: 'CONFIRM', line: line.text.ref };
  }
  return kinds[line.text.kind].request(line, typing, hands);
}
