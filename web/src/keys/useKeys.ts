import { useWindowEvent } from '@mantine/hooks';
import { useEffect, useRef } from 'react';
import { keyLayers, type Layer } from './KeyLayers';

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
 * The page's one listener for keys: letters in upper case, others by their name; a key that is held down counts once.
 */
export function useKeyDispatcher(): void {
  useWindowEvent('keydown', (event) => {
    if (event.ctrlKey || event.altKey || event.metaKey || event.defaultPrevented || isTaken(event)) return;
    const key = event.key.length === 1 ? event.key.toUpperCase() : event.key;
    if (/^[A-Z]$/.test(key) && lettersOff()) return;
    if (event.repeat && !key.startsWith('Arrow')) {
      if (key === ' ') event.preventDefault();
      return;
    }
    if (keyLayers.press(key)) event.preventDefault();
  });
}

/**
 * Hears keys in a layer, the desk's by default. Nothing is heard while `enabled` is false, and no letter when letters
 * are switched off.
 */
export function useKeys(handle: (key: string) => boolean, enabled: boolean, layer: Layer = 'desk'): void {
  const latest = useRef(handle);
  useEffect(() => {
    latest.current = handle;
  });
  useEffect(
    () => (enabled ? keyLayers.add(layer, { handle: (key) => latest.current(key) }) : undefined),
    [enabled, layer],
  );
}

/** While something is open over the desk, nothing behind it hears a key. */
export function useKeyBlock(layer: 'sheet' | 'dialog', opened: boolean): void {
  useEffect(() => (opened ? keyLayers.add(layer, { handle: () => false, blocks: true }) : undefined), [layer, opened]);
}
