import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const AddVehicleForm = late(() => import('./AddVehicleForm').then((code) => code.AddVehicleForm));

/** A vehicle that comes into the library without a car that is booked in. */
export function AddVehicle() {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="Add a vehicle"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => (
        <Button kind="main" {...props}>
          Add a vehicle
        </Button>
      )}
    >
      <AddVehicleForm />
    </Layer>
  );
}
