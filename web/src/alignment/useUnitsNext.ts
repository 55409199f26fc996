import { useDeparture } from '../live/departureContext';
import { serverClock } from '../live/useServerNow';
import type { UnitsView, UnitTap } from './unitsWords';

export interface UnitsNext {
  words: string;
  tell: () => void;
}

/** Tells something of the units, with the moment of the press. */
export function useTellUnits() {
  const { live } = useDeparture();
  return (tap: UnitTap, units: number[], more: { position?: string; code?: string } = {}) =>
    live.ask({ ask: 'TELL_UNITS', units, tap, ...more, tappedAt: new Date(serverClock.now()).toISOString() });
}

/** What the one key tells of the units now; null when there is nothing to tell by hand. */
export function useUnitsNext(units: UnitsView | undefined): UnitsNext | null {
  const tell = useTellUnits();
  if (!units?.next || units.read) return null;
  const next = units.next;
  const position = next === 'POSITION' ? units.stand : undefined;
  return {
    words: words(next, units),
    tell: () => void tell(next, units.nextFor, position ? { position } : {}),
  };
}

function words(tap: UnitTap, units: UnitsView): string {
  switch (tap) {
    case 'ON':
      return 'ALIGN';
    case 'POSITION':
      return `Entered, as on the sign: ${units.stand}`;
    case 'NAVIGATION':
      return 'NAVIGATION';
    case 'OFF':
      return 'OFF';
    default:
      return units.offers.find((offer) => offer.tap === tap)?.words ?? '';
  }
}
