import { useMantineColorScheme } from '@mantine/core';
import { useLocalStorage } from '@mantine/hooks';
import { useEffect } from 'react';

export const THEMES = ['day', 'dusk', 'night'] as const;
export type ThemeName = (typeof THEMES)[number];

const KEY = 'skelda.theme';
const known = (text: string | null | undefined): ThemeName => THEMES.find((name) => name === text) ?? 'day';

export function storedTheme(): ThemeName {
  return known(localStorage.getItem(KEY));
}

/** The theme of this device, kept over reloads and the same wherever it is asked for. */
export function useTheme(): [ThemeName, (next: ThemeName) => void] {
  const [theme, setTheme] = useLocalStorage<ThemeName>({
    key: KEY, defaultValue: 'day', getInitialValueInEffect: false, serialize: (name) => name, deserialize: known,
  });
  const { setColorScheme } = useMantineColorScheme();
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
    setColorScheme(theme === 'day' ? 'light' : 'dark');
  }, [theme, setColorScheme]);
  return [theme, setTheme];
}
