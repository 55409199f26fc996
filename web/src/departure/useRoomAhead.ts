import { useWindowEvent } from '@mantine/hooks';
import { useLayoutEffect, useRef, useState } from 'react';

const ROW_PX = 45;
const FOOT_PX = 56;
const FEWEST = 5;

/**
 * How many lines ahead the desk's height holds below a mark. `shown`: what is displayed above it; when that changes, it
 * is measured anew.
 */
export function useRoomAhead(shown: string | undefined): { ref: React.RefObject<HTMLDivElement | null>; rows: number } {
  const ref = useRef<HTMLDivElement>(null);
  const [rows, setRows] = useState(FEWEST);
  const measure = () => {
    const desk = ref.current?.closest('main');
    if (!ref.current || !desk) return;
    const top = ref.current.getBoundingClientRect().top - desk.getBoundingClientRect().top + desk.scrollTop;
    setRows(Math.max(FEWEST, Math.floor((desk.clientHeight - top - FOOT_PX) / ROW_PX)));
  };
  useLayoutEffect(measure, [shown]);
  useWindowEvent('resize', measure);
  return { ref, rows };
}
