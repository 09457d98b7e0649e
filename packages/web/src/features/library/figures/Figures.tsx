/** The fields for the figures of a part, and the part drawn as they are typed. */
import type { PartKind, PartRecord, Spec } from '@low-quarry/core/catalogue';
import { FIGURE_SPECS } from '@low-quarry/core/catalogue';
import type { Control } from 'react-hook-form';
import type { z } from 'zod';
import { FormChoice } from '../../../ui/form/FormChoice';
import { FormText } from '../../../ui/form/FormText';
import { PartDrawing } from './PartDrawing';
import type { FiguresTyped } from './typedFigures';

type FiguresProps = {
  readonly kind: PartKind;
  readonly control: Control<FiguresTyped, unknown, object>;
  readonly typed: FiguresTyped;
  readonly readSchema: z.ZodType<Partial<PartRecord>, FiguresTyped>;
};

export function Figures({ kind, control, typed, readSchema }: FiguresProps) {
  const specs = FIGURE_SPECS[kind];
  const [narrow, wide] = [specs.filter(({ isWide }) => !isWide), specs.filter(({ isWide }) => isWide)];
  const toField = (spec: Spec) => <Figure key={spec.key} spec={spec} control={control} typed={typed[spec.key] ?? ''} />;
  return (
    <>
      <PartDrawing kind={kind} typed={typed} readSchema={readSchema} />
      <div className="grid gap-x-3 gap-y-1 sm:grid-cols-3">{narrow.map(toField)}</div>
      {wide.map(toField)}
    </>
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
