import { useOneKey } from '../keys/useOneKey';
import { useDeparture, type WorkLine } from '../live/departureContext';
import type { UnitsView } from './unitsWords';
import { useTellUnits } from './useUnitsNext';

export interface UnitsOfLine {
  words: string;
  /** Whether it moves the simulated units. */
  simulated: boolean;
  answer: () => void;
  /** Handles a key for it; tells whether it was one. */
  press: (key: string) => boolean;
}

/** Which move of the simulated units does what a line asks for. */
const MOVES: Partial<Record<NonNullable<WorkLine['text']['marks']['inertial']>, [string, string, string]>> = {
  ON: ['inertial/all/mode', 'align', 'ALIGN'],
  NAVIGATION: ['inertial/all/mode', 'navigation', 'NAVIGATION'],
  OFF: ['inertial/all/mode', 'off', 'OFF'],
};

/** What a line waits for at the units themselves, and how it is told by its one key; null when it waits for none. */
export function useUnitsOfLine(line: WorkLine | undefined): UnitsOfLine | null {
  const { live, state } = useDeparture();
  const tell = useTellUnits();
  const units = state.view.units;
  const mark = line?.text.marks.inertial;
  const atHand = line?.view.gate?.waits.every((wait) => wait.kind === 'UNITS_AT_HAND') === true;
  const simulated = state.view.feed?.simulated === true && units?.read === true;
  const hand =
    units && mark && atHand
      ? simulated
        ? simulatedHand(mark, units)
        : units.read
          ? null
          : toldHand(mark, units)
      : null;
  const key = useOneKey(`${line?.text.ref ?? ''} ${hand?.words ?? ''}`);
  if (!hand) return null;
  const act = () =>
    void ('control' in hand
      ? live.ask({ ask: 'TAP_CONTROL', control: hand.control, position: hand.position })
      : tell(hand.tap, [], hand.tap === 'POSITION' ? { position: units?.stand } : {}));
  const answer = () => key.press(act);
  return {
    words: hand.words,
    simulated,
    answer,
    press: (pressed) => {
      if (pressed === ' ') answer();
      return pressed === ' ';
    },
  };
}

/** The timed pair: off, and back to navigation before the units have forgotten that it was a pair. */
function pair(units: UnitsView): 'off' | 'navigation' {
  return units.units.some((unit) => unit.phase === 'STORING') ? 'navigation' : 'off';
}

function toldHand(mark: string, units: UnitsView) {
  if (mark === 'POSITION') return { tap: 'POSITION' as const, words: `Entered, as on the sign: ${units.stand}` };
  if (mark !== 'QUICK') return null;
  return pair(units) === 'off'
    ? { tap: 'OFF' as const, words: 'OFF, and at once' }
    : { tap: 'ON' as const, words: 'back to NAVIGATION' };
}

function simulatedHand(mark: NonNullable<WorkLine['text']['marks']['inertial']>, units: UnitsView) {
  if (mark === 'POSITION') {
    return {
      control: 'inertial/all/position',
      position: units.stand,
      words: `Simulated aircraft: enter ${units.stand}`,
    };
  }
  if (mark === 'QUICK') {
    const to = pair(units);
    return { control: 'inertial/all/mode', position: to, words: `Simulated aircraft: ${to.toUpperCase()}` };
  }
  const move = MOVES[mark];
  return move ? { control: move[0], position: move[1], words: `Simulated aircraft: ${move[2]}` } : null;
}
