import { Suspense } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Outlet, Route, Routes, useLocation } from 'react-router';
import { Gate } from './features/sessions/Gate';
import { late } from './ui/late';
import { NoSuchPage, ScreenFault } from './ui/states';

/** Each a file of its own: a screen's code comes when somebody goes there, or behind the first one. */
const MeScreen = late(() => import('./features/sessions/MeScreen').then((code) => code.MeScreen));
const SettingsScreen = late(() => import('./features/settings/SettingsScreen').then((code) => code.SettingsScreen));
const HistoryScreen = late(() => import('./features/history/HistoryScreen').then((code) => code.HistoryScreen));
const BinScreen = late(() => import('./features/bin/BinScreen').then((code) => code.BinScreen));
const BackupScreen = late(() => import('./features/backup/BackupScreen').then((code) => code.BackupScreen));
const WaitingScreen = late(() => import('./features/waiting/WaitingScreen').then((code) => code.WaitingScreen));
const WorkScreen = late(() => import('./features/work/WorkScreen').then((code) => code.WorkScreen));
const LibraryScreen = late(() => import('./features/library/LibraryScreen').then((code) => code.LibraryScreen));
const CorrectScreen = late(() => import('./features/library/CorrectScreen').then((code) => code.CorrectScreen));
const PeopleScreen = late(() => import('./features/people/PeopleScreen').then((code) => code.PeopleScreen));
const JobsScreen = late(() => import('./features/jobs/JobsScreen').then((code) => code.JobsScreen));
const WillFitScreen = late(() => import('./features/willFit/WillFitScreen').then((code) => code.WillFitScreen));
const JobScreen = late(() => import('./features/jobs/JobScreen').then((code) => code.JobScreen));
const OpeningScreen = late(() => import('./features/openings/OpeningScreen').then((code) => code.OpeningScreen));
const FitScreen = late(() => import('./features/fit/FitScreen').then((code) => code.FitScreen));
const OrderScreen = late(() => import('./features/orders/OrderScreen').then((code) => code.OrderScreen));

export function Pages() {
  return (
    <ErrorBoundary FallbackComponent={ScreenFault}>
      <Routes>
        <Route element={<Gate />}>
          <Route element={<Screen />}>
            <Route path="/me" element={<MeScreen />} />
            <Route path="/settings" element={<SettingsScreen />} />
            <Route path="/history" element={<HistoryScreen />} />
            <Route path="/bin" element={<BinScreen />} />
            <Route path="/waiting" element={<WaitingScreen />} />
            <Route path="/backups" element={<BackupScreen />} />
            <Route path="/work" element={<WorkScreen />} />
            <Route path="/library" element={<LibraryScreen />} />
            <Route path="/library/:kind/:id" element={<CorrectScreen />} />
            <Route path="/people" element={<PeopleScreen />} />
            <Route path="/" element={<JobsScreen />} />
            <Route path="/will-it-fit" element={<WillFitScreen />} />
            <Route path="/jobs/:jobId" element={<JobScreen />} />
            <Route path="/jobs/:jobId/openings/:openingId" element={<OpeningScreen />} />
            <Route path="/jobs/:jobId/openings/:openingId/fit" element={<FitScreen />} />
            <Route path="/jobs/:jobId/order" element={<OrderScreen />} />
          </Route>
        </Route>
        <Route path="*" element={<NoSuchPage />} />
      </Routes>
    </ErrorBoundary>
  );
}

/** The screen before stays until the next one is there; a fault of one is over when somebody goes elsewhere. */
function Screen() {
  const { key } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={ScreenFault} resetKeys={[key]}>
      <Suspense>
        <Outlet />
      </Suspense>
    </ErrorBoundary>
  );
}
