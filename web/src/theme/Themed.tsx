import { MantineProvider } from '@mantine/core';
import type { ReactNode } from 'react';
import { theme, variables } from './theme';
import { useTheme } from './useTheme';

/**
 * The page in its device's theme. The component library is told of it once for a change: telling it has the whole
 * page's style computed anew.
 */
export function Themed({ children }: { children: ReactNode }) {
  const [name] = useTheme();
  return (
    <MantineProvider
      theme={theme}
      cssVariablesResolver={variables}
      forceColorScheme={name === 'day' ? 'light' : 'dark'}
    >
      {children}
    </MantineProvider>
  );
}
