/** Whose car it is; where that is not the customer, the owner's leave. */
import { LEAVE_LABELS, LEAVES, OWNER_LABELS, OWNERS } from '@low-quarry/core/model';
import { useController } from 'react-hook-form';
import { Choice } from '../../ui/Choice';
import { AskedText } from '../../ui/form/AskedText';
import { FormText } from '../../ui/form/FormText';
import type { IntakeControl } from './typedIntake';

export function OwnershipFields({
  control,
  asksLeave,
}: {
  readonly control: IntakeControl;
  readonly asksLeave: boolean;
}) {
  const owner = useController({ control, name: 'ownership.owner' });
  const leave = useController({ control, name: 'ownership.leave' });
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <Choice
        label="Whose car it is"
        value={owner.field.value}
        options={OWNERS.map((each) => [each, OWNER_LABELS[each]])}
        onChange={owner.field.onChange}
      />
      {asksLeave && (
        <>
          <Choice
            label="The owner’s leave"
            value={leave.field.value}
            options={LEAVES.map((each) => [each, LEAVE_LABELS[each]])}
            onChange={leave.field.onChange}
          />
          <div className="sm:col-span-2">
            <FormText
              control={control}
              name="ownership.by"
              label="Who was asked, when, and how"
              hint="Nothing is changed on it before it is given."
              autoComplete="off"
            />
          </div>
          <div className="sm:col-span-2">
            <AskedText
              control={control}
              name="ownership.putBack"
              label="To be put back"
              hint="What has to be in it again when it goes back: it is kept, labelled."
              nothing="Asked: nothing has to be put back"
            />
          </div>
        </>
      )}
    </div>
  );
}
