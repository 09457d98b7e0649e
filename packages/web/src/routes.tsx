import { Suspense } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { matchPath, Outlet, Route, Routes, useLocation } from 'react-router';
import { Gate } from './features/sessions/Gate';
import { STATIONS, type StationId } from './stations/stationTable';
import { type Late, late } from './ui/late';
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
const DoubtsScreen = late(() => import('./features/library/DoubtsScreen').then((code) => code.DoubtsScreen));
const PlacesScreen = late(() => import('./features/library/PlacesScreen').then((code) => code.PlacesScreen));
const PartScreen = late(() => import('./features/library/PartScreen').then((code) => code.PartScreen));
const SupplierListScreen = late(() =>
  import('./features/lists/SupplierListScreen').then((code) => code.SupplierListScreen),
);
const VehiclesScreen = late(() => import('./features/vehicles/VehiclesScreen').then((code) => code.VehiclesScreen));
const VehicleScreen = late(() => import('./features/vehicles/VehicleScreen').then((code) => code.VehicleScreen));
const VehicleOpeningScreen = late(() =>
  import('./features/vehicles/VehicleOpeningScreen').then((code) => code.VehicleOpeningScreen),
);
const PanelScreen = late(() => import('./features/panels/PanelScreen').then((code) => code.PanelScreen));
const PeopleScreen = late(() => import('./features/people/PeopleScreen').then((code) => code.PeopleScreen));
const JobsScreen = late(() => import('./features/jobs/JobsScreen').then((code) => code.JobsScreen));
const WillFitScreen = late(() => import('./features/willFit/WillFitScreen').then((code) => code.WillFitScreen));
const BookInScreen = late(() => import('./features/bookIn/BookInScreen').then((code) => code.BookInScreen));
const BaselineScreen = late(() => import('./features/baseline/BaselineScreen').then((code) => code.BaselineScreen));
const HandOverScreen = late(() => import('./features/baseline/HandOverScreen').then((code) => code.HandOverScreen));
const JobScreen = late(() => import('./features/jobs/JobScreen').then((code) => code.JobScreen));
const OpeningScreen = late(() => import('./features/openings/OpeningScreen').then((code) => code.OpeningScreen));
const FitScreen = late(() => import('./features/fit/FitScreen').then((code) => code.FitScreen));
const PlotScreen = late(() => import('./features/library/plot/PlotScreen').then((code) => code.PlotScreen));
const NewPartsScreen = late(() =>
  import('./features/library/adding/NewPartsScreen').then((code) => code.NewPartsScreen),
);
const DisagreementsScreen = late(() =>
  import('./features/library/claims/DisagreementsScreen').then((code) => code.DisagreementsScreen),
);
const CompareScreen = late(() => import('./features/library/compare/CompareScreen').then((code) => code.CompareScreen));
const LabelsScreen = late(() => import('./features/labels/LabelsScreen').then((code) => code.LabelsScreen));
const ScanScreen = late(() => import('./features/scan/ScanScreen').then((code) => code.ScanScreen));
const WeekScreen = late(() => import('./features/week/WeekScreen').then((code) => code.WeekScreen));
const ShelfScreen = late(() => import('./features/shelf/ShelfScreen').then((code) => code.ShelfScreen));
const ServingScreen = late(() => import('./features/library/ServingScreen').then((code) => code.ServingScreen));
const WiresScreen = late(() => import('./features/wires/WiresScreen').then((code) => code.WiresScreen));
const BuildScreen = late(() => import('./features/build/BuildScreen').then((code) => code.BuildScreen));
const StepsScreen = late(() => import('./features/build/StepsScreen').then((code) => code.StepsScreen));
const OrderScreen = late(() => import('./features/orders/OrderScreen').then((code) => code.OrderScreen));

const STATION_SCREENS: Readonly<Record<StationId, Late<object>>> = {
  job: JobScreen,
  bookIn: BookInScreen,
  baseline: BaselineScreen,
  measure: OpeningScreen,
  match: FitScreen,
  wire: WiresScreen,
  order: OrderScreen,
  build: BuildScreen,
  steps: StepsScreen,
  handOver: HandOverScreen,
};

const SCREENS: readonly (readonly [path: string, Screen: Late<object>])[] = [
  ['/me', MeScreen],
  ['/settings', SettingsScreen],
  ['/history', HistoryScreen],
  ['/bin', BinScreen],
  ['/waiting', WaitingScreen],
  ['/backups', BackupScreen],
  ['/work', WorkScreen],
  ['/parts', LibraryScreen],
  ['/compare', CompareScreen],
  ['/new-parts', NewPartsScreen],
  ['/parts/:id', PartScreen],
  ['/parts/:id/places', PlacesScreen],
  ['/supplier-list', SupplierListScreen],
  ['/doubts', DoubtsScreen],
  ['/bay', WeekScreen],
  ['/shelf', ShelfScreen],
  ['/labels', LabelsScreen],
  ['/scan', ScanScreen],
  ['/serving', ServingScreen],
  ['/plot', PlotScreen],
  ['/disagreements', DisagreementsScreen],
  ['/vehicles', VehiclesScreen],
  ['/vehicles/:vehicleId', VehicleScreen],
  ['/vehicles/:vehicleId/openings/:label', VehicleOpeningScreen],
  ['/vehicles/:vehicleId/panels/:label', PanelScreen],
  ['/people', PeopleScreen],
  ['/', JobsScreen],
  ['/will-it-fit', WillFitScreen],
  ...Object.entries(STATION_SCREENS).map(([id, Screen]) => [STATIONS[id as StationId].path, Screen] as const),
];

/** Code of the screen at an address; it never fails: what could not be loaded is asked for again by the screen itself. */
async function loadScreenAt(address: string): Promise<void> {
  await SCREENS.find(([path]) => matchPath(path, address))?.[1].load();
}

// Where nobody is signed in it comes behind the sign-in, which leads to it.
const firstScreen = loadScreenAt(window.location.pathname);

export function Pages() {
  return (
    <ErrorBoundary FallbackComponent={ScreenFault}>
      <Routes>
        <Route element={<Gate screen={firstScreen} />}>
          <Route element={<ScreenFrame />}>
            {SCREENS.map(([path, Screen]) => (
              <Route key={path} path={path} element={<Screen />} />
            ))}
          </Route>
        </Route>
        <Route path="*" element={<NoSuchPage />} />
      </Routes>
    </ErrorBoundary>
  );
}

/** The screen before stays until the next one is there; a fault of one is over when somebody goes elsewhere. */
function ScreenFrame() {
  const { key } = useLocation();
  return (
    <ErrorBoundary FallbackComponent={ScreenFault} resetKeys={[key]}>
      <Suspense>
        <Outlet />
      </Suspense>
    </ErrorBoundary>
  );
}
