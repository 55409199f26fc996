import type { Schemas } from '../api/client';

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
