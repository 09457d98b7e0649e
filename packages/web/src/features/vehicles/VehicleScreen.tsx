/** What is known of this vehicle, and what has nobody looked at? */
import { type VehicleRecord, vehicleLabel } from '@low-quarry/core/model';
import { useQuery } from '@tanstack/react-query';
import { useParams } from 'react-router';
import { LinkButton } from '../../ui/Button';
import { late } from '../../ui/late';
import { Shell } from '../../ui/Shell';
import { Answered, Loading } from '../../ui/states';
import { Photos } from '../photos/Photos';
import { CarriedOverDoubts } from './CarriedOverDoubts';
import { Disputes } from './Disputes';
import { VehicleOpenings } from './VehicleOpenings';
import { vehicleQuery } from './vehicleQueries';

const VehicleForm = late(
  () => import('./VehicleForm').then((code) => code.VehicleForm),
  () => <Loading what="what tells it from others" />,
);
void VehicleForm.load();
const VehicleFunctions = late(
  () => import('./VehicleFunctions').then((code) => code.VehicleFunctions),
  () => <Loading what="what such a car has" />,
);

const VehicleAround = late(
  () => import('../panels/VehicleAround').then((code) => code.VehicleAround),
  () => <Loading what="room, ways and channels" />,
);
const VehicleFacts = late(
  () => import('../facts/VehicleFacts').then((code) => code.VehicleFacts),
  () => <Loading what="what is known of it" />,
);
const VehiclePanels = late(
  () => import('../panels/VehiclePanels').then((code) => code.VehiclePanels),
  () => <Loading what="its panels" />,
);

export function VehicleScreen() {
  const { vehicleId = '' } = useParams();
  const vehicle = useQuery(vehicleQuery(vehicleId));
  const title = vehicle.data ? vehicleLabel(vehicle.data.record) : 'Vehicle';
  return (
    <Shell
      title={title}
      crumbs={[
        { to: '/', label: 'Jobs' },
        { to: '/vehicles', label: 'Vehicles' },
        { to: `/vehicles/${encodeURIComponent(vehicleId)}`, label: title },
      ]}
      aside={<LinkButton to={`/history?kind=vehicle&record=${vehicleId}`}>History</LinkButton>}
    >
      <Answered query={vehicle} what="the vehicle">
        {({ version, record }) => (
          <div className="grid gap-6 lg:grid-cols-[5fr_6fr] lg:items-start">
            <section aria-label="Variant" className="flex flex-col gap-3">
              <Disputes version={version} record={record} />
              <Began record={record} />
              <VehicleForm version={version} record={record} />
            </section>
            <VehicleOpenings version={version} record={record} />
            <div className="flex flex-col gap-6 lg:col-span-2">
              <VehicleFacts version={version} record={record} />
              <VehiclePanels record={record} />
              <Photos
                subject={{ of: 'vehicle', recordId: record.id, place: '' }}
                label="this variant"
                originOf={({ place }) => place || null}
              />
              <VehicleAround version={version} record={record} />
              <VehicleFunctions version={version} record={record} />
            </div>
          </div>
        )}
      </Answered>
    </Shell>
  );
}

function Began({ record }: { readonly record: VehicleRecord }) {
  const { beganAs } = record;
  if (!beganAs) return null;
  return (
    <div className="flex flex-col gap-2 border-l-4 border-measure bg-paper px-3 py-2">
      <p>
        {beganAs.kind === 'template'
          ? `Began with what is usual for this body (${beganAs.name}): class defaults, until somebody measures.`
          : `Began as ${beganAs.name}: its measurements are carried over, its plugs are to be looked at.`}
      </p>
      {beganAs.kind === 'variant' && <CarriedOverDoubts fromId={beganAs.vehicleId} now={record} />}
    </div>
  );
}
