/** The figures of a part as they are typed, by what is asked of its kind: each a line of text. */
import type { PartRecord } from '@low-quarry/core/catalogue';
import { FIGURE_SPECS } from '@low-quarry/core/catalogue';
import { z } from 'zod';

export type FiguresTyped = Record<string, string>;
export const figuresTypedSchema: z.ZodType<FiguresTyped, FiguresTyped> = z.record(z.string(), z.string());

/** Reads what is typed into keys of the record; what is refused stands at its field. */
export function readFiguresSchema(kind: PartRecord['kind']): z.ZodType<Partial<PartRecord>, FiguresTyped> {
  return z.record(z.string(), z.string()).transform((typed, context) => {
    const read: Record<string, unknown> = {};
    for (const spec of FIGURE_SPECS[kind]) {
      const found = spec.read(typed[spec.key] ?? '');
      if (found.ok) read[spec.key] = found.value;
      else context.addIssue({ code: 'custom', path: [spec.key], message: found.failure });
    }
    return read;
  }) as unknown as z.ZodType<Partial<PartRecord>, FiguresTyped>;
}

/** The value of a record at the key of one of its kind's specs. */
export function figureOf(record: PartRecord, key: string): unknown {
  return (record as unknown as Readonly<Record<string, unknown>>)[key];
}

export function toFiguresTyped(record: PartRecord): FiguresTyped {
  return Object.fromEntries(
    FIGURE_SPECS[record.kind].map(({ key, print }) => [key, print(figureOf(record, key) as never)]),
  );
}
