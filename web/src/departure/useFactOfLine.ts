import { parsed, typed } from '../ui/number';
import { useDeparture, type WorkLine } from '../live/departureContext';
import type { Fact } from './FactEntry';

export interface FactOfLine {
  fact: Fact;
  give: (value: string | boolean) => void;
  /** Handles a key for it; tells whether it was one. */
  press: (key: string, typing: string, setTyping: (text: string) => void) => boolean;
}

/** The first fact of the day that a line waits for, and how it is given; null when it waits for none. */
export function useFactOfLine(line: WorkLine | undefined): FactOfLine | null {
  const { live, state } = useDeparture();
  const awaited = line?.view.gate?.waits.find((wait) => wait.kind === 'FACT')?.fact;
  const fact = state.view.facts.find((candidate) => candidate.id === awaited);
  if (!fact) return null;
  const give = (value: string | boolean) => {
    const request = giving(fact, value);
    if (request) void live.ask(request);
  };
  const press = (key: string, typing: string, setTyping: (text: string) => void): boolean => {
    if (fact.kind === 'YES_NO') {
      if (key === 'Y' || key === 'N') give(key === 'Y');
      return key === 'Y' || key === 'N';
    }
    if (/^[0-9.,-]$/.test(key)) setTyping(typed(typing, key));
    else if (key === 'Backspace') setTyping(typing.slice(0, -1));
    else if (key === 'Enter') give(typing);
    else return false;
    return true;
  };
  return { fact, give, press };
}

/** What is asked of the server; null when what was typed is no number. */
export function giving(fact: Fact, value: string | boolean) {
  if (typeof value === 'boolean') return { ask: 'GIVE_FACT' as const, fact: fact.id, yes: value };
  const number = parsed(value);
  return number === null ? null : { ask: 'GIVE_FACT' as const, fact: fact.id, number, unit: fact.unit };
}

/** A fact's value in words; null when it is not known. */
export function known(fact: Fact, unit: string): string | null {
  if (fact.kind === 'NUMBER') return fact.number === undefined ? null : `${fact.number} ${unit}`;
  return fact.yes === undefined ? null : fact.yes ? 'yes' : 'no';
}
