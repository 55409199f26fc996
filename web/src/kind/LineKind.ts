import type { ComponentType } from 'react';
import type { LineText, Role } from '../api/client';
import type { Asked } from '../live/DepartureLive';
import type { WorkLine } from '../live/departureContext';

/** Whose hands are at this page. */
export interface Hands {
  personId: string;
  role: Role | null;
  /** Who holds the other seat. */
  otherName: string | null;
  /** Whether the type is flown by one and nobody else has a seat. */
  alone: boolean;
}

export interface Entry {
  line: WorkLine;
  hands: Hands;
  typing: string;
  setTyping: (text: string) => void;
  /** Sends what there is, in the way of the line's kind. */
  answer: (typing: string) => void;
  /** Sends something else than the one answer. */
  send: (asked: Asked) => void;
}

/** What the page knows of one kind of line. The compiler names the kind that is missing. */
export interface LineKind {
  /** The key of its one answer; null when it has none. */
  key: ' ' | 'Enter' | null;
  /** What its button says; null when it has none. */
  main: (line: WorkLine, hands: Hands) => string | null;
  /** What it waits for from others, in place of the button; null when for nothing. */
  others?: (line: WorkLine, hands: Hands) => string | null;
  /** What its one answer asks for; null while it cannot be given. */
  request: (line: WorkLine, typing: string, hands: Hands) => Asked | null;
  /** What is typed or chosen on its card. */
  Entry?: ComponentType<Entry>;
  /** Whether something else is being told, so that the one answer stands back. */
  busy?: (typing: string) => boolean;
  /** Handles a further key; tells whether it was one. */
  press?: (key: string, entry: Entry) => boolean;
  /** Whether digits are typed for it, so that a quick key after another is no slip. */
  typed?: (line: WorkLine) => boolean;
  /** What became of it, on its card. */
  Outcome?: ComponentType<{ line: WorkLine }>;
  /** The same in a few words, for its row and the record. */
  word?: (line: WorkLine) => string | null;
}

export type Sort = LineText['kind'];
