/** Where a quieted surface is on its panel: its corners, pressed on the drawing or typed. */
import type { Quieted } from '@low-quarry/core/model';
import { type Control, useWatch } from 'react-hook-form';
import { PanelDrawing } from '../../../drawing/PanelDrawing';
import type { WithQuieted } from '../../../outbox/saved/savedQuieted';
import { FormText } from '../../../ui/form/FormText';
import { markedText, readMarks } from '../../panels/typedMarks';
import type { QuietingTyped } from './typedQuieting';

type SurfaceMarksProps = {
  readonly control: Control<QuietingTyped, unknown, WithQuieted>;
  readonly at: number;
  readonly onMark: (marked: string) => void;
};

export function SurfaceMarks({ control, at, onMark }: SurfaceMarksProps) {
  const [kind, spot, marked] = useWatch({
    control,
    name: [`quieted.${at}.kind`, `quieted.${at}.spot`, `quieted.${at}.marked`],
  }) as [Quieted['kind'], Quieted['spot'], string];
  const { marks, unread } = readMarks(marked);
  return (
    <>
      <FormText
        control={control}
        name={`quieted.${at}.marked`}
        label="Its corners on the panel"
        hint="Pressed on the drawing one after the other, or typed: 20 85; 40 90."
        autoComplete="off"
      />
      <PanelDrawing
        kind={kind}
        spot={spot}
        marks={[{ words: 'The surface', at: marks, isMain: true }]}
        areas={[{ words: 'The surface', corners: marks }]}
        onPress={(mark) => {
          // What is half-typed is not thrown away.
          if (unread === null) onMark(markedText([...marks, mark]));
        }}
      />
    </>
  );
}
