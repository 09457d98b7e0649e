/** Where it lies, how many there are, from which order. */
import type { Control } from 'react-hook-form';
import { FormText } from '../../ui/form/FormText';
import type { LotRead, LotTyped } from './typedLot';

export function LotFields({ control }: { readonly control: Control<LotTyped, unknown, LotRead> }) {
  return (
    <div className="grid gap-3 sm:grid-cols-3">
      <FormText control={control} name="place" label="Where it lies" hint="Such as A3." autoComplete="off" />
      <FormText control={control} name="pieces" label="Pieces, counted" inputMode="numeric" autoComplete="off" />
      <FormText
        control={control}
        name="from"
        label="From which order"
        hint="Empty where nobody knows."
        autoComplete="off"
      />
    </div>
  );
}
