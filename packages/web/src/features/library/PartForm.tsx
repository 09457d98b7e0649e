/** What stands around the fields of a form for a part: what was kept, what failed, what somebody else changed. */
import type { ReactNode } from 'react';
import { BroughtBack } from '../../ui/BroughtBack';
import { Button } from '../../ui/Button';
import { ConflictPanel } from '../../ui/ConflictPanel';
import { FormError } from '../../ui/FormError';
import type { usePartForm } from './usePartForm';

type PartFormProps = {
  readonly frame: ReturnType<typeof usePartForm>['frame'];
  /** What is pressed to save it. */
  readonly save: string;
  readonly children: ReactNode;
};

export function PartForm({ frame, save, children }: PartFormProps) {
  const { broughtBack, onDrop, onSubmit, isBusy, failure, panel } = frame;
  return (
    <form onSubmit={onSubmit} className="flex flex-col gap-3" noValidate>
      <BroughtBack show={broughtBack} onDrop={onDrop} />
      {children}
      <FormError>{failure}</FormError>
      {panel && <ConflictPanel what="this part" {...panel} />}
      <Button kind="main" type="submit" className="self-start" disabled={isBusy}>
        {save}
      </Button>
    </form>
  );
}
