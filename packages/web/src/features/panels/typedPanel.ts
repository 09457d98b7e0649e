/** A panel as it is typed: lengths and counts are lines of text, and a list says by itself whether somebody looked. */
import { attachedSchema, fastenerSchema, instructionSchema, type Panel, panelSchema } from '@low-quarry/core/model';
import type { Control } from 'react-hook-form';
import { z } from 'zod';
import { markedText, markedTyped } from './typedMarks';
import { countTyped, lengthTyped, numberText } from './typedNumber';

const parts = panelSchema.shape;
const fastenerTypedSchema = fastenerSchema.extend({
  ...{ where: z.string(), lengthMm: z.string(), count: z.string(), marked: z.string().default('') },
});
const attachedTypedSchema = attachedSchema.extend({ what: z.string(), marked: z.string().default('') });

export const panelTypedSchema = z.object({
  grade: parts.grade,
  comesOff: parts.comesOff,
  pryFrom: z.string().nullable(),
  looksLike: z.string().nullable(),
  stays: z.string().nullable(),
  breaks: z.string().nullable(),
  note: z.string(),
  fasteners: z.array(fastenerTypedSchema),
  isFastenersLooked: z.boolean(),
  attached: z.array(attachedTypedSchema),
  isAttachedLooked: z.boolean(),
  order: parts.order,
  instructions: z
    .array(
      z.object({ key: z.string(), title: z.string(), where: z.string(), rated: z.string().nullable(), by: z.string() }),
    )
    .default([]),
});
export type PanelTyped = z.output<typeof panelTypedSchema>;
/** What is typed of a panel: where it is stays. */
export type PanelRead = Omit<Panel, 'kind' | 'spot' | 'name'>;
export type PanelControl = Control<PanelTyped, unknown, PanelRead>;

const instructionTyped = z
  .object({ key: z.string(), title: z.string(), where: z.string(), rated: z.string().nullable(), by: z.string() })
  .transform(({ rated, by, ...each }) => ({ ...each, rated: rated === null ? null : { as: rated, by } }))
  .pipe(instructionSchema);

const read = z.object({
  ...{ grade: parts.grade, comesOff: parts.comesOff, pryFrom: parts.pryFrom, looksLike: parts.looksLike },
  ...{ stays: parts.stays, breaks: parts.breaks, note: parts.note, order: parts.order },
  fasteners: z.array(
    fastenerSchema.extend({
      lengthMm: lengthTyped.pipe(fastenerSchema.shape.lengthMm),
      count: countTyped.pipe(fastenerSchema.shape.count),
      marked: markedTyped,
    }),
  ),
  attached: z.array(attachedSchema.extend({ marked: markedTyped })),
  isFastenersLooked: z.boolean(),
  isAttachedLooked: z.boolean(),
  instructions: z.array(instructionTyped),
});

/** What is typed, as the shop takes it. @param where the panel is: a circle in its order is said at the order */
export function readPanelSchema(where: Pick<Panel, 'kind' | 'spot' | 'name'>): z.ZodType<PanelRead, PanelTyped> {
  return read.transform((typed, context) => {
    const { isFastenersLooked, isAttachedLooked, fasteners, attached, ...rest } = typed;
    const panel = panelSchema.safeParse({
      ...where,
      ...rest,
      fasteners: isFastenersLooked || fasteners.length > 0 ? fasteners : null,
      attached: isAttachedLooked || attached.length > 0 ? attached : null,
    });
    for (const { path, message } of panel.error?.issues ?? [])
      context.addIssue({ code: 'custom', path: [...path], message });
    if (!panel.success) return z.NEVER;
    const { kind: _kind, spot: _spot, name: _name, ...told } = panel.data;
    return told;
  });
}

export function toPanelTyped({ fasteners, attached, ...panel }: Panel): PanelTyped {
  const { grade, comesOff, pryFrom, looksLike, stays, breaks, note, order, instructions } = panel;
  return {
    ...{ grade, comesOff, pryFrom, looksLike, stays, breaks, note, order },
    fasteners: (fasteners ?? []).map(({ lengthMm, count, marked, ...each }) => ({
      ...each,
      marked: markedText(marked),
      lengthMm: numberText(lengthMm),
      count: numberText(count),
    })),
    isFastenersLooked: fasteners !== null,
    attached: (attached ?? []).map(({ marked, ...each }) => ({ ...each, marked: markedText(marked) })),
    isAttachedLooked: attached !== null,
    instructions: instructions.map(({ rated, ...each }) => ({
      ...each,
      rated: rated?.as ?? null,
      by: rated?.by ?? '',
    })),
  };
}
