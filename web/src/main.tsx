import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import './theme/components';
import './theme/tokens.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { App } from './App';
import { Themed } from './theme/Themed';

const queries = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: true } } });
const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');

createRoot(root).render(
  <StrictMode>
    <Themed>
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </Themed>
  </StrictMode>,
);
