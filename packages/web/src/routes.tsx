import { createBrowserRouter } from 'react-router';
import { BackupScreen } from './features/backup/BackupScreen';
import { BinScreen } from './features/bin/BinScreen';
import { FitScreen } from './features/fit/FitScreen';
import { HistoryScreen } from './features/history/HistoryScreen';
import { JobScreen } from './features/jobs/JobScreen';
import { JobsScreen } from './features/jobs/JobsScreen';
import { CorrectScreen } from './features/library/CorrectScreen';
import { LibraryScreen } from './features/library/LibraryScreen';
import { OpeningScreen } from './features/openings/OpeningScreen';
import { OrderScreen } from './features/orders/OrderScreen';
import { PeopleScreen } from './features/people/PeopleScreen';
import { Gate } from './features/session/Gate';
import { MeScreen } from './features/session/MeScreen';
import { SettingsScreen } from './features/settings/SettingsScreen';
import { WaitingScreen } from './features/waiting/WaitingScreen';
import { WillFitScreen } from './features/willFit/WillFitScreen';
import { ScreenFault } from './ui/states';

export function createRoutes() {
  return createBrowserRouter([
    {
      Component: Gate,
      ErrorBoundary: ScreenFault,
      children: [
        { path: '/me', Component: MeScreen, ErrorBoundary: ScreenFault },
        { path: '/settings', Component: SettingsScreen, ErrorBoundary: ScreenFault },
        { path: '/history', Component: HistoryScreen, ErrorBoundary: ScreenFault },
        { path: '/bin', Component: BinScreen, ErrorBoundary: ScreenFault },
        { path: '/waiting', Component: WaitingScreen, ErrorBoundary: ScreenFault },
        { path: '/backups', Component: BackupScreen, ErrorBoundary: ScreenFault },
        { path: '/library', Component: LibraryScreen, ErrorBoundary: ScreenFault },
        { path: '/library/:kind/:id', Component: CorrectScreen, ErrorBoundary: ScreenFault },
        { path: '/people', Component: PeopleScreen, ErrorBoundary: ScreenFault },
        { path: '/', Component: JobsScreen, ErrorBoundary: ScreenFault },
        { path: '/will-it-fit', Component: WillFitScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId', Component: JobScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/openings/:openingId', Component: OpeningScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/openings/:openingId/fit', Component: FitScreen, ErrorBoundary: ScreenFault },
        { path: '/jobs/:jobId/order', Component: OrderScreen, ErrorBoundary: ScreenFault },
      ],
    },
  ]);
}
