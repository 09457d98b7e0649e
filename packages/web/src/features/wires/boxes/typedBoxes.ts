/** Boxes as they are typed: by their three sides. */
import { boxWords } from '@low-quarry/core/catalogue';
import { STOWED_KINDS, type Stowed, stowedSchema } from '@low-quarry/core/model';
import { z } from 'zod';
import { numberText, wattTyped } from '../../panels/typedNumber';
import { boxTyped } from '../boxTyped';

const fields = {
  ...{ name: z.string(), kind: z.enum(STOWED_KINDS), box: z.string(), space: z.string().nullable() },
  ...{ heldBy: z.string(), rmsW: z.string(), isLater: z.boolean() },
};
export const boxesTypedSchema = z.object({ stowed: z.array(z.object(fields)) });
export type BoxesTyped = z.output<typeof boxesTypedSchema>;

export const readBoxesSchema: z.ZodType<{ stowed: Stowed[] }, BoxesTyped> = z
  .object({ stowed: z.array(z.object({ ...fields, box: boxTyped, rmsW: wattTyped })) })
  .transform(({ stowed }, context) => {
    const read = stowedSchema.safeParse(
      stowed.map(({ space, rmsW, ...each }) => ({
        ...each,
        space: space ?? '',
        // What was typed of an amplifier is not saved of another box.
        rmsW: each.kind === 'amplifier' ? rmsW : null,
      })),
    );
    for (const { path, message } of read.error?.issues ?? [])
      context.addIssue({ code: 'custom', path: ['stowed', ...path], message });
    return read.success ? { stowed: read.data } : z.NEVER;
  });

export function toBoxesTyped(stowed: readonly Stowed[]): BoxesTyped {
  return {
    stowed: stowed.map(({ box, space, rmsW, ...each }) => ({
      ...each,
      box: box === null ? '' : boxWords(box),
      space: space || null,
      rmsW: numberText(rmsW),
    })),
  };
}

export const EMPTY_BOX: BoxesTyped['stowed'][number] = {
  ...{ name: '', kind: 'amplifier', box: '', space: null, heldBy: '', rmsW: '', isLater: false },
};
