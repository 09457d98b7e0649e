/** What is known of a part itself, typed as the trade says it, and drawn meanwhile. */
import { useMemo } from 'react';
import { type Control, useWatch } from 'react-hook-form';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { PartForm } from '../PartForm';
import { type PartFormProps, usePartForm } from '../usePartForm';
import { PartDrawing } from './PartDrawing';
import type { Spec } from './Spec';
import { FIGURE_SPECS } from './specs';
import { type FiguresTyped, figuresTypedSchema, readFiguresSchema, toFiguresTyped } from './typedFigures';

export function FiguresForm(part: PartFormProps) {
  const { kind } = part.record;
  const readSchema = useMemo(() => readFiguresSchema(kind), [kind]);
  const { control, frame } = usePartForm({
    ...part,
    ...{ name: 'figures', typedSchema: figuresTypedSchema, readSchema, toTyped: toFiguresTyped },
    saved: 'Its figures are saved.',
  });
  const typed = useWatch({ control }) as FiguresTyped;
  const specs = FIGURE_SPECS[kind];
  const narrow = specs.filter(({ isWide }) => !isWide);
  return (
    <PartForm frame={frame} save="Save its figures">
      <PartDrawing kind={kind} typed={typed} readSchema={readSchema} />
      <div className="grid gap-x-3 gap-y-1 sm:grid-cols-3">
        {narrow.map((spec) => (
          <Figure key={spec.key} spec={spec} control={control} typed={typed[spec.key] ?? ''} />
        ))}
      </div>
      {specs
        .filter(({ isWide }) => isWide)
        .map((spec) => (
          <Figure key={spec.key} spec={spec} control={control} typed={typed[spec.key] ?? ''} />
        ))}
    </PartForm>
  );
}

type FigureProps = {
  readonly spec: Spec;
  readonly control: Control<FiguresTyped, unknown, object>;
  readonly typed: string;
};

function Figure({ spec: { key, label, hint, without, options }, control, typed }: FigureProps) {
  if (options)
    return (
      <FormChoice
        control={control}
        name={key}
        label={label}
        options={Object.fromEntries(options.filter(([value]) => value !== ''))}
        {...noneOf(options)}
        {...(hint === undefined ? {} : { hint })}
      />
    );
  const isMissing = without !== undefined && typed.trim() === '';
  return (
    <FormText
      control={control}
      name={key}
      label={label}
      hint={isMissing ? `Nobody wrote it down: ${without} cannot be judged.` : hint}
      autoComplete="off"
    />
  );
}

function noneOf(options: NonNullable<Spec['options']>): { readonly none?: string } {
  const none = options.find(([value]) => value === '');
  return none ? { none: none[1] } : {};
}
