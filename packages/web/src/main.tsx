import './schemaSetup';
import './app.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { createQueryClient } from './api/queryClient';
import { createRoutes } from './routes';
import { SettingsProvider } from './ui/settings';

const root = document.getElementById('root');
if (!root) throw new Error('main: expected an element #root, got none');

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={createQueryClient()}>
      <SettingsProvider>
        <RouterProvider router={createRoutes()} />
      </SettingsProvider>
    </QueryClientProvider>
  </StrictMode>,
);

// In development the page is never the one that was kept. Elsewhere than on https and loopback browsers have no workers.
if (import.meta.env.PROD && 'serviceWorker' in navigator) {
  navigator.serviceWorker.register('/sw.js').catch(() => {});
}
