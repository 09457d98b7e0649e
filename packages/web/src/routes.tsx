import { type ComponentType, Suspense } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Outlet, Route, Routes, useLocation } from 'react-router';
import { finderCode } from './features/finder/FinderButton';
import { Gate } from './features/sessions/Gate';
import { layerCode } from './ui/Layer';
import { type LateCode, lateCode } from './ui/lateCode';
import { NoSuchPage, ScreenFault } from './ui/states';

/** By name, each a file of its own: a screen's code comes when somebody goes there, or behind the first one. */
const SCREENS = {
  MeScreen: () => import('./features/sessions/MeScreen'),
  SettingsScreen: () => import('./features/settings/SettingsScreen'),
  HistoryScreen: () => import('./features/history/HistoryScreen'),
  BinScreen: () => import('./features/bin/BinScreen'),
  BackupScreen: () => import('./features/backup/BackupScreen'),
  WaitingScreen: () => import('./features/waiting/WaitingScreen'),
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

type ScreenCode = Readonly<Partial<Record<ScreenName, ComponentType>>>;
const CODE = new Map<string, LateCode<ScreenCode>>(
  Object.entries(SCREENS).map(([name, load]) => [name, lateCode<ScreenCode>(load)]),
);

function Late({ name }: { readonly name: ScreenName }) {
  const Loaded = CODE.get(name)?.use()[name];
  if (!Loaded) throw new Error(`Late: expected ${name} in the file of its name, found none`);
  return <Loaded />;
}

/** What cannot be loaded now is asked for when somebody goes there. */
export function loadScreens(): void {
  for (const { load } of [layerCode, finderCode, ...CODE.values()]) load().catch(() => {});
}

export function Pages() {
  return (
    <ErrorBoundary FallbackComponent={ScreenFault}>
      <Routes>
        <Route element={<Gate />}>
          <Route element={<Screen />}>
            <Route path="/me" element={<Late name="MeScreen" />} />
            <Route path="/settings" element={<Late name="SettingsScreen" />} />
            <Route path="/history" element={<Late name="HistoryScreen" />} />
            <Route path="/bin" element={<Late name="BinScreen" />} />
            <Route path="/waiting" element={<Late name="WaitingScreen" />} />
            <Route path="/backups" element={<Late name="BackupScreen" />} />
            <Route path="/work" element={<Late name="WorkScreen" />} />
            <Route path="/library" element={<Late name="LibraryScreen" />} />
            <Route path="/library/:kind/:id" element={<Late name="CorrectScreen" />} />
            <Route path="/people" element={<Late name="PeopleScreen" />} />
            <Route path="/" element={<Late name="JobsScreen" />} />
            <Route path="/will-it-fit" element={<Late name="WillFitScreen" />} />
            <Route path="/jobs/:jobId" element={<Late name="JobScreen" />} />
            <Route path="/jobs/:jobId/openings/:openingId" element={<Late name="OpeningScreen" />} />
            <Route path="/jobs/:jobId/openings/:openingId/fit" element={<Late name="FitScreen" />} />
            <Route path="/jobs/:jobId/order" element={<Late name="OrderScreen" />} />
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
