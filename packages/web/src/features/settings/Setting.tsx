/** One setting, typed or picked as its kind wants. */
import { type ShopSettings, WEEKDAYS } from '@low-quarry/core/model';
import type { SettingField } from '@low-quarry/core/records';
import { type Control, useController } from 'react-hook-form';
import { Choice } from '../../ui/Choice';
import { FormText } from '../../ui/form/FormText';
import { StockField } from './StockField';
import type { TypedSettings } from './typedSettings';

type SettingProps = {
  readonly field: SettingField;
  readonly control: Control<TypedSettings, unknown, ShopSettings>;
  readonly currency: string;
};

const UNIT_WORDS = { mm: ', mm', percent: ', %' } as const;

export function Setting(props: SettingProps) {
  const { field, control, currency } = props;
  const { path, label, changes, input } = field;
  if (input.kind === 'choice' || input.kind === 'days' || input.kind === 'stock') return <Picked {...props} />;
  const unit =
    input.kind === 'money' ? `, ${currency}` : input.kind in UNIT_WORDS ? UNIT_WORDS[input.kind as 'mm'] : '';
  return <FormText control={control} name={path} label={`${label}${unit}`} hint={changes} autoComplete="off" />;
}

function Picked({ field: { path, label, changes, input }, control, currency }: SettingProps) {
  const { field, fieldState } = useController({ control, name: path });
  if (input.kind === 'choice')
    return (
      <Choice
        label={label}
        value={String(field.value)}
        options={input.options}
        hint={changes}
        error={fieldState.error?.message ?? null}
        onChange={field.onChange}
      />
    );
  if (input.kind === 'days')
    return <DaysField label={label} hint={changes} days={field.value as readonly string[]} onChange={field.onChange} />;
  return (
    <StockField
      stock={field.value as ShopSettings['stock']}
      hint={changes}
      currency={currency}
      onChange={field.onChange}
    />
  );
}

function DaysField({
  label,
  hint,
  days,
  onChange,
}: {
  readonly label: string;
  readonly hint: string;
  readonly days: readonly string[];
  readonly onChange: (days: readonly string[]) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="mb-1 font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-x-4">
        {WEEKDAYS.map((day) => (
          <label key={day} className="flex min-h-12 items-center gap-2">
            <input
              type="checkbox"
              className="size-6 accent-action"
              checked={days.includes(day)}
              onChange={({ target }) =>
                onChange(WEEKDAYS.filter((each) => (each === day ? target.checked : days.includes(each))))
              }
            />
            {day}
          </label>
        ))}
      </div>
      <p className="text-[13px] leading-4 text-muted">{hint}</p>
    </fieldset>
  );
}
