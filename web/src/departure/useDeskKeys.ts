import { useRef } from 'react';
import type { Sheet } from './Desk';
import type { Work } from '../live/departureContext';
import { useKeys } from '../keys/useKeys';
import { goLetters } from '../keys/goLetters';

const GO_WINDOW_MS = 1500;

/**
 * The keys that hold on every desk: sheets, and G with a letter for going somewhere; the letter after G is nobody
 * else's.
 */
export function useDeskKeys({
  works,
  sheet,
  open,
  go,
  place,
  today,
}: {
  works: Work[];
  sheet: Sheet;
  open: (sheet: Sheet) => void;
  go: (procedure: string) => void;
  /** Where the crew was before they looked elsewhere. */
  place: string | null;
  today: () => void;
}): void {
  const goPressed = useRef(Number.NEGATIVE_INFINITY);
  const enabled = sheet === null || sheet === 'seats';
  useKeys(
    (key) => {
      if (performance.now() - goPressed.current > GO_WINDOW_MS) return false;
      goPressed.current = Number.NEGATIVE_INFINITY;
      if (key === 'T') today();
      const ways = works.filter((candidate) => candidate.text.occasion !== 'ABNORMAL');
      const work = ways[goLetters(ways.map((candidate) => candidate.text.title)).indexOf(key)];
      if (work) go(work.text.id);
      return true;
    },
    enabled,
    'sheet',
  );
  useKeys(
    (key) => {
      switch (key) {
        case 'G':
          goPressed.current = performance.now();
          return true;
        case '?':
          open('help');
          return true;
        case '/':
          open('find');
          return true;
        case 'V':
          open('facts');
          return true;
        case 'B':
          if (place) go(place);
          return place !== null;
        case 'Q':
          open('abnormal');
          return true;
        case 'P':
          open('apu');
          return true;
        case 'S':
          open('seats');
          return true;
        case 'C': {
          const rail = document.getElementById('clocks');
          if (rail && rail.offsetParent !== null) rail.focus();
          else open('clocks');
          return true;
        }
        case 'Escape':
          if (sheet === 'seats') open(null);
          return sheet === 'seats';
        default:
          return false;
      }
    },
    enabled,
    'page',
  );
}
