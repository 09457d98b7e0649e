/** What of the library is taken for what has to be at hand besides: its size was seen at the car, and it is a line of the order list then. */
import { z } from 'zod';

export const smallPartSchema = z.strictObject({
  /** What it is for, in the words of the list: "Spares of the tree clips". */
  need: z.string().trim().min(1, 'Say what it is for.').max(200, 'Type at most 200 characters.'),
  partId: z.string().min(1).max(80),
});
export type SmallPart = z.infer<typeof smallPartSchema>;

const MOST = 40;
export const smallPartsSchema = z
  .array(smallPartSchema)
  .max(MOST, `Keep to ${MOST} of them.`)
  .superRefine((parts, context) => {
    parts.forEach(({ need }, at) => {
      if (parts.findIndex((each) => each.need === need) === at) return;
      context.addIssue({
        code: 'custom',
        path: [at, 'need'],
        message: 'Another part is taken for it: take one of them off.',
      });
    });
  });

/** "Spares of the tree clips: clip-tree-8"; "none". */
export function smallPartsWords(parts: readonly SmallPart[]): string {
  return parts.map(({ need, partId }) => `${need}: ${partId}`).join('; ') || 'none';
}

/** Pieces of a part that a need asks for: of what is sold by its length, as many as that takes. Null where nobody can say. */
export function piecesOf(
  need: { readonly pieces?: number | undefined; readonly lengthM?: number | undefined },
  part: { readonly lengthM: number | null },
): number | null {
  if (need.lengthM !== undefined) return part.lengthM === null ? null : Math.ceil(need.lengthM / part.lengthM);
  return need.pieces ?? null;
}
