import { useLocalStorage } from '@mantine/hooks';
import { useLayoutEffect } from 'react';

export const THEMES = ['day', 'dusk', 'night'] as const;
export type ThemeName = (typeof THEMES)[number];

const KEY = 'skelda.theme';
const known = (text: string | null | undefined): ThemeName => THEMES.find((name) => name === text) ?? 'day';

/** The theme of this device, kept over reloads and the same wherever it is asked for. */
export function useTheme(): [ThemeName, (next: ThemeName) => void] {
  const [theme, setTheme] = useLocalStorage<ThemeName>({
    key: KEY,
    defaultValue: 'day',
    getInitialValueInEffect: false,
    serialize: (name) => name,
    deserialize: known,
  });
  // Before it is painted, for a page that flashes white spoils the eyes at night; and for each asker, who reads its
  // colours in an effect after this one.
  useLayoutEffect(() => {
    const page = document.documentElement;
    if (page.dataset.theme !== theme) page.dataset.theme = theme;
  }, [theme]);
  return [theme, setTheme];
}
