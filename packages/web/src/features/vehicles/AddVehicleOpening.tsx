import type { VehicleRecord } from '@low-quarry/core/model';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const AddVehicleOpeningForm = late(() => import('./AddVehicleOpeningForm').then((code) => code.AddVehicleOpeningForm));

type AddVehicleOpeningProps = { readonly version: number; readonly record: VehicleRecord };

export function AddVehicleOpening(props: AddVehicleOpeningProps) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="One more place"
      open={open}
      onOpenChange={setOpen}
      trigger={(trigger) => <Button {...trigger}>Add a place</Button>}
    >
      <AddVehicleOpeningForm {...props} onDone={() => setOpen(false)} />
    </Layer>
  );
}
