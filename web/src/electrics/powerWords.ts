import type { Schemas } from '../api/client';
import type { PowerReadings } from '../live/liveState';
import { shown } from '../ui/number';

export type NetworkView = Schemas['NetworkView'];
export type SourceView = Schemas['SourceView'];

const AWAY: Record<SourceView['kind'], string> = {
  BATTERY: 'not there',
  GROUND: 'not plugged in',
  APU: 'does not run',
  ENGINE: 'does not run',
};

/** How a source stands, by a shape, in a word and in words. There, on and feeding are three things. */
export function stands(source: SourceView): { shape: string; word: string; words: string } {
  switch (source.stand) {
    case 'FEEDING':
      return { shape: '●', word: 'feeding', words: 'ON, feeding' };
    case 'ON':
      return { shape: '◐', word: 'ON, no load', words: 'ON, no load' };
    case 'AVAILABLE':
      return { shape: '○', word: 'available', words: 'available, not on' };
    case 'AWAY':
      return { shape: '–', word: 'away', words: AWAY[source.kind] };
    case 'NOT_KNOWN':
      return { shape: '?', word: 'not known', words: 'not known' };
  }
}

/** What a source's instruments show; null when nothing is told. A battery's current is what goes into it. */
export function read(source: SourceView, shows: PowerReadings[string] | undefined): string | null {
  const volts = shows?.voltage_V;
  const amps = shows?.current_A;
  const words = [
    typeof volts === 'number' ? `${shown(volts, 1)} V` : null,
    typeof amps !== 'number'
      ? null
      : source.kind === 'BATTERY' && amps !== 0
        ? `${shown(Math.abs(amps), 0)} A ${amps > 0 ? 'in' : 'out'}`
        : `${shown(amps, 0)} A`,
  ].filter((one) => one !== null);
  return words.length > 0 ? words.join(', ') : null;
}

/** How a tie stands: a shape and words. */
export function ties(tie: NetworkView['ties'][number]): { shape: string; words: string } {
  if (tie.byItself) return { shape: '■', words: 'closes by itself when it is wanted' };
  if (tie.closed === undefined) return { shape: '?', words: 'not known' };
  return tie.closed ? { shape: '■', words: 'closed' } : { shape: '□', words: 'open' };
}

/** What would become of the buses, were a source gone at once; null for one that carries nothing. */
export function without(source: SourceView): { goes: string[]; lost: string[] } | null {
  return source.stand === 'FEEDING' ? { goes: source.takenOver, lost: source.lost } : null;
}
