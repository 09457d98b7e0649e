/** A part to scale as it is typed: what cannot be read yet stays as it was. Nothing where its kind has no shape. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { useRef } from 'react';
import type { z } from 'zod';
import { BoxDrawing } from './BoxDrawing';
import { ConnectorDrawing } from './ConnectorDrawing';
import { PlateDrawing, plateOf } from './PlateDrawing';
import { SpeakerDrawing } from './SpeakerDrawing';
import type { FiguresTyped } from './typedFigures';

type PartDrawingProps = {
  readonly kind: PartRecord['kind'];
  readonly typed: FiguresTyped;
  readonly readSchema: z.ZodType<Partial<PartRecord>, FiguresTyped>;
};

export function PartDrawing({ kind, typed, readSchema }: PartDrawingProps) {
  const last = useRef<PartRecord | null>(null);
  const read = readSchema.safeParse(typed);
  if (read.success) last.current = { kind, ...read.data } as PartRecord;
  const shown = last.current;
  if (!shown) return null;
  if (shown.kind === 'speaker') return <SpeakerDrawing {...shown} />;
  if (shown.kind === 'looseConnector') return <ConnectorDrawing {...shown} />;
  if ('box' in shown) return shown.box && <BoxDrawing {...shown.box} />;
  const plate = plateOf(shown);
  return plate && <PlateDrawing {...plate} />;
}
