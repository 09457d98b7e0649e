/** Where it is on the panel's drawing, by typing: what is pressed on the drawing stands here too. */
import type { FieldPath } from 'react-hook-form';
import { FormText } from '../../ui/form/FormText';
import type { PanelControl, PanelTyped } from './typedPanel';

export function MarkedField({
  control,
  name,
}: {
  readonly control: PanelControl;
  readonly name: FieldPath<PanelTyped>;
}) {
  return (
    <div className="col-span-2">
      <FormText
        control={control}
        name={name}
        label="On the drawing"
        hint="Hundredths from the left and from the top, such as 20 85; 40 90."
        autoComplete="off"
      />
    </div>
  );
}
