/** How the sheets of a material lie on the surfaces that are quieted with it, and how many that takes. */
import { areaPieces, type Packed, packRectangles, type RectangleMm, type SizeMm } from '../nesting';
import type { Quieted } from './quieted';
import { QUIETED_SPOTS } from './quietedSpots';

export type QuietedSheets = Pick<Quieted, 'material' | 'thicknessMm'> & {
  readonly sheet: SizeMm;
  /** Of each surface that was measured, by its name: its pieces as they lie on it. */
  readonly surfaces: readonly { readonly name: string; readonly pieces: readonly RectangleMm[] }[];
  readonly packed: Packed;
};

/**
 * One for each material, thickness and size of sheet. The sheets lie along each surface or across it, whichever takes fewer.
 *
 * @returns nothing of surfaces whose size, or whose sheet's, nobody typed
 */
export function quietedSheets(quieted: readonly Quieted[]): readonly QuietedSheets[] {
  const groups = new Map<string, Quieted[]>();
  for (const each of quieted) {
    const { lengthMm, widthMm, sheetLengthMm, sheetWidthMm, material, thicknessMm } = each;
    if (lengthMm === null || widthMm === null || sheetLengthMm === null || sheetWidthMm === null) continue;
    const key = [material, thicknessMm, sheetLengthMm, sheetWidthMm].join(' ');
    groups.set(key, [...(groups.get(key) ?? []), each]);
  }
  return [...groups.values()].map((own) => {
    const { material, thicknessMm, sheetLengthMm, sheetWidthMm } = own[0] as Quieted;
    const sheet = { lengthMm: sheetLengthMm as number, widthMm: sheetWidthMm as number };
    const { surfaces, packed } = fewestSheets(own, sheet);
    return { material, thicknessMm, sheet, surfaces, packed };
  });
}

type Laid = Pick<QuietedSheets, 'surfaces' | 'packed'>;

/** Each surface with its sheets along it or across it: from all one way, one after the other turned where that takes fewer, or fewer pieces. */
function fewestSheets(own: readonly Quieted[], sheet: SizeMm): Laid {
  const lying = [sheet, { lengthMm: sheet.widthMm, widthMm: sheet.lengthMm }] as const;
  const ways = own.map(
    (each) => lying.map((way) => piecesOf(each, way)) as [readonly RectangleMm[], readonly RectangleMm[]],
  );
  const laidBy = (turns: readonly (0 | 1)[]): Laid => {
    const surfaces = own.map(({ name }, at) => ({ name, pieces: ways[at]?.[turns[at] ?? 0] ?? [] }));
    return {
      surfaces,
      packed: packRectangles(
        surfaces.flatMap(({ pieces }) => pieces),
        sheet,
      ),
    };
  };
  const from = (first: 0 | 1): Laid => {
    let turns: readonly (0 | 1)[] = own.map(() => first);
    let best = laidBy(turns);
    for (let at = 0; at < own.length; at++) {
      const tried = turns.map((turn, each) => (each === at ? (turn === 0 ? 1 : 0) : turn));
      const laid = laidBy(tried);
      if (isFewer(laid, best)) [turns, best] = [tried, laid];
    }
    return best;
  };
  const [along, across] = [from(0), from(1)];
  return isFewer(across, along) ? across : along;
}

function isFewer(a: Laid, b: Laid): boolean {
  return a.packed.sheets !== b.packed.sheets
    ? a.packed.sheets < b.packed.sheets
    : a.packed.laid.length < b.packed.laid.length;
}

function piecesOf({ lengthMm, widthMm, spots }: Quieted, lying: SizeMm): readonly RectangleMm[] {
  const area = { lengthMm: lengthMm as number, widthMm: widthMm as number };
  const blocked = spots.filter(({ what }) => !QUIETED_SPOTS[what].isOpen);
  return areaPieces(area, blocked, lying);
}
