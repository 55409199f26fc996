import { useMantineColorScheme } from '@mantine/core';
import { useCallback, useEffect, useState } from 'react';

export const THEMES = ['day', 'dusk', 'night'] as const;
export type ThemeName = (typeof THEMES)[number];

const KEY = 'skelda.theme';

export function storedTheme(): ThemeName {
  const stored = localStorage.getItem(KEY);
  return THEMES.find((name) => name === stored) ?? 'day';
}

/** The theme of this device, kept over reloads. */
export function useTheme(): [ThemeName, (next: ThemeName) => void] {
  const [theme, setTheme] = useState(storedTheme);
  const { setColorScheme } = useMantineColorScheme();
  useEffect(() => {
    document.documentElement.dataset.theme = theme;
    setColorScheme(theme === 'day' ? 'light' : 'dark');
    localStorage.setItem(KEY, theme);
  }, [theme, setColorScheme]);
  return [theme, useCallback((next: ThemeName) => setTheme(next), [])];
}
