import { useEffect, useRef, type RefObject } from 'react';

/**
 * The button of the one key takes the focus that nothing else holds: at first, and after a button that was touched went
 * away, which may be later than the next one came.
 */
export function useFocusOfKey(): RefObject<HTMLButtonElement | null> {
  const button = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const { activeElement } = document;
    if (activeElement === document.body || activeElement?.getAttribute('role') === 'dialog') button.current?.focus();
  });
  return button;
}
