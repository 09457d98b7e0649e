import type { ComponentType } from 'react';
import { createBrowserRouter } from 'react-router';
import { Gate } from './features/sessions/Gate';
import { WaitingScreen } from './features/waiting/WaitingScreen';
import { ScreenFault } from './ui/states';

/** By name, each a file of its own: a screen's code comes when somebody goes there, or behind the first one. */
const SCREENS = {
  MeScreen: () => import('./features/sessions/MeScreen'),
  SettingsScreen: () => import('./features/settings/SettingsScreen'),
  HistoryScreen: () => import('./features/history/HistoryScreen'),
  BinScreen: () => import('./features/bin/BinScreen'),
  BackupScreen: () => import('./features/backup/BackupScreen'),
  WorkScreen: () => import('./features/work/WorkScreen'),
  LibraryScreen: () => import('./features/library/LibraryScreen'),
  CorrectScreen: () => import('./features/library/CorrectScreen'),
  PeopleScreen: () => import('./features/people/PeopleScreen'),
  JobsScreen: () => import('./features/jobs/JobsScreen'),
  WillFitScreen: () => import('./features/willFit/WillFitScreen'),
  JobScreen: () => import('./features/jobs/JobScreen'),
  OpeningScreen: () => import('./features/openings/OpeningScreen'),
  FitScreen: () => import('./features/fit/FitScreen'),
  OrderScreen: () => import('./features/orders/OrderScreen'),
} as const;
type ScreenName = keyof typeof SCREENS;

function screen<Name extends ScreenName>(name: Name) {
  return async () => {
    const file = (await SCREENS[name]()) as unknown as Readonly<Record<Name, ComponentType>>;
    return { Component: file[name], ErrorBoundary: ScreenFault };
  };
}

/** What cannot be loaded now is asked for when somebody goes there. */
export function loadScreens(): void {
  for (const load of Object.values(SCREENS)) load().catch(() => {});
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
        { path: '/me', lazy: screen('MeScreen') },
        { path: '/settings', lazy: screen('SettingsScreen') },
        { path: '/history', lazy: screen('HistoryScreen') },
        { path: '/bin', lazy: screen('BinScreen') },
        // What waits to be sent is looked at when nothing can be loaded.
        { path: '/waiting', Component: WaitingScreen, ErrorBoundary: ScreenFault },
        { path: '/backups', lazy: screen('BackupScreen') },
        { path: '/work', lazy: screen('WorkScreen') },
        { path: '/library', lazy: screen('LibraryScreen') },
        { path: '/library/:kind/:id', lazy: screen('CorrectScreen') },
        { path: '/people', lazy: screen('PeopleScreen') },
        { path: '/', lazy: screen('JobsScreen') },
        { path: '/will-it-fit', lazy: screen('WillFitScreen') },
        { path: '/jobs/:jobId', lazy: screen('JobScreen') },
        {
          path: '/jobs/:jobId/openings/:openingId',
          lazy: screen('OpeningScreen'),
        },
        {
          path: '/jobs/:jobId/openings/:openingId/fit',
          lazy: screen('FitScreen'),
        },
        { path: '/jobs/:jobId/order', lazy: screen('OrderScreen') },
      ],
    },
  ]);
}
