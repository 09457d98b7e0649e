import './schemaSetup';
import './app.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { reloadIfNewer } from './api/program';
import { createQueryClient } from './api/queryClient';
import { Pages } from './routes';
import { loadAllLate } from './ui/late';
import { SettingsProvider } from './ui/settings';

/** By then the first screen has what it needs, ms. */
const SCREENS_AFTER_MS = 1500;

// A screen's code that is there no more may belong to an older program than the one that is served.
window.addEventListener('vite:preloadError', () => void reloadIfNewer());
// The first screen is there: the others come behind it, so that each opens without the network too.
window.addEventListener('load', () =>
  setTimeout(() => void loadAllLate('serviceWorker' in navigator), SCREENS_AFTER_MS),
);

const root = document.getElementById('root');
if (!root) throw new Error('main: expected an element #root, got none');

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={createQueryClient()}>
      <SettingsProvider>
        <BrowserRouter>
          <Pages />
        </BrowserRouter>
      </SettingsProvider>
    </QueryClientProvider>
  </StrictMode>,
);

// In development the page is never the one that was kept. Elsewhere than on https and loopback browsers have no workers.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  navigator.serviceWorker.register('/sw.js').catch(() => {});
}
