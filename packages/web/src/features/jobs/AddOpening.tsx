/** One more place of this car: upper, lower, beside, another one. */
import type { OpeningWithState } from '@low-quarry/core/contracts/jobs';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Layer } from '../../ui/Layer';
import { late } from '../../ui/late';

const AddOpeningForm = late(() => import('./AddOpeningForm').then((code) => code.AddOpeningForm));

export function AddOpening({
  jobId,
  openings,
}: {
  readonly jobId: string;
  readonly openings: readonly OpeningWithState[];
}) {
  const [open, setOpen] = useState(false);
  return (
    <Layer
      title="One more place"
      open={open}
      onOpenChange={setOpen}
      trigger={(props) => <Button {...props}>Add a place</Button>}
    >
      <AddOpeningForm jobId={jobId} openings={openings} onDone={() => setOpen(false)} />
    </Layer>
  );
}
