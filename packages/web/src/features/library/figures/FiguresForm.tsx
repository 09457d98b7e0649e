/** What is known of a part itself, typed as the trade says it, and drawn meanwhile. */
import { useMemo } from 'react';
import { useWatch } from 'react-hook-form';
import { PartForm } from '../PartForm';
import { type PartFormProps, usePartForm } from '../usePartForm';
import { Figures } from './Figures';
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
  return (
    <PartForm frame={frame} save="Save its figures">
      <Figures kind={kind} control={control} typed={typed} readSchema={readSchema} />
    </PartForm>
  );
}
