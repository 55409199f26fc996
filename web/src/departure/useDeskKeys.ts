import { useEffect, useRef, useState } from 'react';
import type { Sheet } from './Desk';
import type { Work } from '../live/departureContext';
import { useKeys } from '../keys/useKeys';
import { isSilenced, silence } from './useSound';
import { lettersToGo } from './work';

/** How long the letter after G is waited for: long enough to read the letters that come up. */
const GO_WINDOW_MS = 5000;

/**
 * The keys that hold on every desk: sheets, and G with a letter for going somewhere; the letter after G is nobody
 * else's.
 *
 * @returns whether G was pressed and its letter is waited for
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
}): boolean {
  const [going, setGoing] = useState(false);
  // The letter counts from the press on, not only once the page shows that it waits for it.
  const waits = useRef(false);
  const wait = (begun: boolean) => {
    waits.current = begun;
    setGoing(begun);
  };
  useEffect(() => {
    if (!going) return;
    const timer = setTimeout(() => wait(false), GO_WINDOW_MS);
    return () => clearTimeout(timer);
  }, [going]);
  const enabled = sheet === null || sheet === 'seats';
  useKeys(
    (key) => {
      if (!waits.current) return false;
      wait(false);
      if (key === 'T') today();
      const id = [...lettersToGo(works)].find(([, letter]) => letter === key)?.[0];
      if (id) go(id);
      return true;
    },
    enabled,
    'sheet',
  );
  useKeys(
    (key) => {
      switch (key) {
        case 'G':
          wait(true);
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
        case 'K':
          open('power');
          return true;
        case 'I':
          open('inertial');
          return true;
        case 'Z':
          silence(!isSilenced());
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
  return going;
}
