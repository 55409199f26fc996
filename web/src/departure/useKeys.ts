import { useEffect, useRef } from 'react';

const LETTERS_OFF = 'skelda.lettersOff';

export function lettersOff(): boolean {
  return localStorage.getItem(LETTERS_OFF) === 'yes';
}

export function setLettersOff(off: boolean): void {
  localStorage.setItem(LETTERS_OFF, off ? 'yes' : 'no');
}

/** Whether a press belongs to a control that has the focus and not to the desk. */
function isTaken(event: KeyboardEvent): boolean {
  const target = event.target as HTMLElement | null;
  if (!target?.closest) return false;
  if (target.closest('[role="dialog"], textarea, select, input:not([type="radio"], [type="checkbox"])')) return true;
  if (target.closest('input')) return event.key === ' ' || event.key.startsWith('Arrow');
  return (event.key === ' ' || event.key === 'Enter') && target.closest('button, a, [role="radio"]') !== null;
}

/**
 * Calls `handle` with each single key pressed on the desk: letters in upper case, others by their name. A key that is
 * held down counts once. Nothing is called while `enabled` is false, and no letter when letters are switched off.
 */
export function useKeys(handle: (key: string) => boolean, enabled: boolean): void {
  const latest = useRef(handle);
  useEffect(() => { latest.current = handle; });
  useEffect(() => {
    if (!enabled) return undefined;
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || isTaken(event)) return;
      const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
      if (/^[A-Z]$/.test(key) && lettersOff()) return;
      if (event.repeat && !key.startsWith('Arrow')) {
        if (key === ' ') event.preventDefault();
        return;
      }
      if (latest.current(key)) event.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [enabled]);
}
