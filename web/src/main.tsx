import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@mantine/core/styles.css';
import './theme/tokens.css';
import { MantineProvider } from '@mantine/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './App';
import { theme, variables } from './theme/theme';
import { storedTheme } from './theme/useTheme';

document.documentElement.dataset.theme = storedTheme();
const queries = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: true } } });
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');

createRoot(root).render(
  <StrictMode>
    <MantineProvider theme={theme} cssVariablesResolver={variables} defaultColorScheme={storedTheme() === 'day' ? 'light' : 'dark'}>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);
