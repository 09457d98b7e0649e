/** Brings a parts pack in, from a sheet above the list. */
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';
import { Loading } from '../../ui/states';

const ImportForm = late(
  () => import('./ImportForm').then((code) => code.ImportForm),
  () => <Loading what="the sheet" />,
);

export function ImportParts() {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="Bring in a parts pack"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => <Button {...props}>Bring in a parts pack</Button>}
    >
      <ImportForm onDone={() => setOpen(false)} />
    </Layer>
  );
}
