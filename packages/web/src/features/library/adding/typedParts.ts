/** New parts as they are typed: the figures of their kind, who makes them, and a name each for as many as share these figures. */
import {
  FIGURE_SPECS,
  type ListedById,
  newPartId,
  type PartKind,
  type PartRecord,
  partIdPrefix,
  partSchema,
} from '@low-quarry/core/catalogue';
import { z } from 'zod';
import { type FiguresTyped, figuresTypedSchema, readFiguresSchema, toFiguresTyped } from '../figures/typedFigures';

/** Keys that no kind has as figures. */
const NAMES = { maker: '', names: '' } as const;
const MOST_AT_ONCE = 50;

/** What stands in a figure's field at first, where empty would not do. */
const BEGINS: Readonly<Record<string, string>> = {
  roundingMm: '0.5',
  offsetXMm: '0',
  offsetYMm: '0',
  angleDeg: '0',
};

export const newPartsTypedSchema = figuresTypedSchema;

/** @param like a part whose figures they begin with */
export function beginParts(kind: PartKind, like: PartRecord | null): FiguresTyped {
  if (like) return { ...toFiguresTyped(like), ...NAMES, maker: like.maker };
  const figures = FIGURE_SPECS[kind].map(({ key, options }) => [key, options?.[0]?.[0] ?? BEGINS[key] ?? '']);
  return { ...Object.fromEntries(figures), ...NAMES };
}

/** What is a part's own, and not that of one like it. */
const OWN: ReadonlySet<string> = new Set([
  ...[
    'id',
    'maker',
    'name',
    'number',
    'aliases',
    'offers',
    'claims',
    'isDiscontinued',
    'replacedBy',
    'doubts',
    'listed',
  ],
]);

/**
 * Reads what is typed into parts, each by a line of its own: its name, and behind a semicolon its maker's number. What is refused stands
 * at its field.
 *
 * @param like what has no field is as this part has it
 * @param known ids that are taken
 */
export function readPartsSchema(
  kind: PartKind,
  like: PartRecord | null,
  known: ListedById,
): z.ZodType<{ readonly parts: readonly PartRecord[] }, FiguresTyped> {
  const figuresSchema = readFiguresSchema(kind);
  const from = Object.fromEntries(Object.entries(like ?? {}).filter(([key]) => !OWN.has(key)));
  return z.record(z.string(), z.string()).transform((typed, context) => {
    const refuse = (path: string, message: string) => context.addIssue({ code: 'custom', path: [path], message });
    const maker = (typed.maker ?? '').trim();
    if (maker === '') refuse('maker', 'Type who makes it.');
    const lines = (typed.names ?? '')
      .split('\n')
      .map((line) => line.trim())
      .filter(Boolean);
    if (lines.length === 0) refuse('names', 'Type what its maker calls it.');
    if (lines.length > MOST_AT_ONCE) refuse('names', `${lines.length} lines were read. Type at most ${MOST_AT_ONCE}.`);
    const figures = figuresSchema.safeParse(typed);
    for (const { path, message } of figures.error?.issues ?? []) refuse(path.join('.'), message);
    const parts: PartRecord[] = [];
    const taken = new Set<string>();
    for (const line of figures.success && maker !== '' ? lines : []) {
      const [name = '', number = ''] = line.split(';').map((each) => each.trim());
      const id = newPartId(
        partIdPrefix(kind),
        { maker, name },
        (each) => taken.has(each) || known.get(each) !== undefined,
      );
      taken.add(id);
      const read = partSchema.safeParse({ ...from, ...figures.data, ...{ kind, id, maker, name, number, offers: [] } });
      if (read.success) parts.push(read.data);
      else {
        for (const { path, message } of read.error.issues) {
          const field = String(path[0] ?? '');
          refuse(field === 'name' || field === 'number' ? 'names' : field, message);
        }
        // What is wrong with one of them is wrong with all.
        break;
      }
    }
    return { parts };
  }) as unknown as z.ZodType<{ readonly parts: readonly PartRecord[] }, FiguresTyped>;
}
