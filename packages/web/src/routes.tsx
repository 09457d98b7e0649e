import type { ComponentType } from 'react';
import { createBrowserRouter } from 'react-router';
import { Gate } from './features/session/Gate';
import { ScreenFault } from './ui/states';

/** A screen's code comes when somebody goes there: the first of them is on the table before the last is loaded. */
function screen<Name extends string>(load: () => Promise<Readonly<Record<Name, ComponentType>>>, name: Name) {
  return async () => ({ Component: (await load())[name], ErrorBoundary: ScreenFault });
}

function Nothing() {
  return null;
}

export function createRoutes() {
  return createBrowserRouter([
    {
      Component: Gate,
      ErrorBoundary: ScreenFault,
      // The page's own ground: what is loading is said by what loads it.
      HydrateFallback: Nothing,
      children: [
        { path: '/me', lazy: screen(() => import('./features/session/MeScreen'), 'MeScreen') },
        { path: '/settings', lazy: screen(() => import('./features/settings/SettingsScreen'), 'SettingsScreen') },
        { path: '/history', lazy: screen(() => import('./features/history/HistoryScreen'), 'HistoryScreen') },
        { path: '/bin', lazy: screen(() => import('./features/bin/BinScreen'), 'BinScreen') },
        { path: '/waiting', lazy: screen(() => import('./features/waiting/WaitingScreen'), 'WaitingScreen') },
        { path: '/backups', lazy: screen(() => import('./features/backup/BackupScreen'), 'BackupScreen') },
        { path: '/library', lazy: screen(() => import('./features/library/LibraryScreen'), 'LibraryScreen') },
        { path: '/library/:kind/:id', lazy: screen(() => import('./features/library/CorrectScreen'), 'CorrectScreen') },
        { path: '/people', lazy: screen(() => import('./features/people/PeopleScreen'), 'PeopleScreen') },
        { path: '/', lazy: screen(() => import('./features/jobs/JobsScreen'), 'JobsScreen') },
        { path: '/will-it-fit', lazy: screen(() => import('./features/willFit/WillFitScreen'), 'WillFitScreen') },
        { path: '/jobs/:jobId', lazy: screen(() => import('./features/jobs/JobScreen'), 'JobScreen') },
        {
          path: '/jobs/:jobId/openings/:openingId',
          lazy: screen(() => import('./features/openings/OpeningScreen'), 'OpeningScreen'),
        },
        {
          path: '/jobs/:jobId/openings/:openingId/fit',
          lazy: screen(() => import('./features/fit/FitScreen'), 'FitScreen'),
        },
        { path: '/jobs/:jobId/order', lazy: screen(() => import('./features/orders/OrderScreen'), 'OrderScreen') },
      ],
    },
  ]);
}
