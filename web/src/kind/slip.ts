import type { Schemas } from '../api/client';

/** The slip that would explain a number, in words. */
export function slipInWords(slip: Schemas['Slip'] | undefined): string | null {
  switch (slip?.kind) {
    case undefined:
      return null;
    case 'OTHER_MAGNITUDE':
      return `${slip.detail} times as much: a power of ten?`;
    case 'OTHER_UNIT':
      return `read in ${slip.detail}?`;
    case 'EXCHANGED_DIGITS':
      return 'two digits exchanged?';
    case 'ONE_DIGIT':
      return 'one digit off?';
  }
}
