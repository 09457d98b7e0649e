/** What holds this panel, and how does it come off? */
import {
  newPanel,
  PANEL_KINDS,
  PANEL_SPOTS,
  type Panel,
  panelLabel,
  type VehicleRecord,
  vehicleLabel,
} from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams, useSearchParams } from 'react-router';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Empty, Loading } from '../../ui/states';
import { vehicleQuery } from '../vehicles/vehicleQueries';

const PanelForm = late(
  () => import('./PanelForm').then((code) => code.PanelForm),
  () => <Loading what="the panel" />,
);
void PanelForm.load();

export function PanelScreen() {
  const { vehicleId = '', label = '' } = useParams();
  const [search] = useSearchParams();
  const vehicle = useQuery(vehicleQuery(vehicleId));
  const name = vehicle.data ? vehicleLabel(vehicle.data.record) : 'Vehicle';
  const address = `/vehicles/${encodeURIComponent(vehicleId)}`;
  return (
    <Shell
      title={label}
      crumbs={[
        { to: '/vehicles', label: 'Vehicles' },
        { to: address, label: name },
        { to: `${address}/panels/${encodeURIComponent(label)}`, label },
      ]}
    >
      <Answered query={vehicle} what="the vehicle">
        {(saved) => {
          const panel = panelCalled(saved.record, label) ?? begunPanel(search);
          if (!panel || panelLabel(panel) !== label)
            return <Empty>This vehicle has no panel that is called “{label}”.</Empty>;
          return <PanelForm key={label} saved={saved} panel={panel} />;
        }}
      </Answered>
    </Shell>
  );
}

function panelCalled({ panels }: VehicleRecord, label: string): Panel | null {
  return panels.find((panel) => panelLabel(panel) === label) ?? null;
}

/** One that is about to be written down: its address says which. */
function begunPanel(search: URLSearchParams): Panel | null {
  const kind = PANEL_KINDS.find((each) => each === search.get('kind'));
  const spot = PANEL_SPOTS.find((each) => each === search.get('spot'));
  return kind && spot ? newPanel({ kind, spot, name: (search.get('name') ?? '').slice(0, 40) }) : null;
}
