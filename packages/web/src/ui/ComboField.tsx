/**
 * One of many: typing narrows the list, which may be thousands long. Nothing changes until one is picked. The code of the list comes behind the
 * screen's; until then the field shows what is chosen.
 */
import type { ReactNode } from 'react';
import { Field, type FieldIds, INPUT } from './Field';
import { late } from './late';
import type { ComboProps } from './narrowed';

const Combo = late(() => import('./Combo').then((code) => code.Combo), Shown) as <Value extends string>(
  props: ComboProps<Value> & { readonly ids: FieldIds; readonly label: string },
) => ReactNode;

export function ComboField<Value extends string>({
  label,
  hint,
  error,
  ...combo
}: ComboProps<Value> & {
  readonly label: string;
  readonly hint?: string | undefined;
  readonly error?: string | null | undefined;
}) {
  return (
    <Field label={label} hint={hint} error={error}>
      {(ids) => <Combo {...combo} ids={ids} label={label} />}
    </Field>
  );
}

function Shown<Value extends string>({
  ids,
  value,
  options,
  chosenLabel,
}: Pick<ComboProps<Value>, 'value' | 'options' | 'chosenLabel'> & { readonly ids: FieldIds }) {
  const chosen = options.find((option) => option.value === value);
  return (
    <input {...ids} readOnly value={chosenLabel ?? chosen?.label ?? ''} className={`${INPUT} pr-12 text-ellipsis`} />
  );
}
