/** What stands on a quieted surface, by its place from the surface's lower left corner: what stays open, and what is not reached. */
import { z } from 'zod';
import { fail, ok, type Result } from '../result';
import { explainLengthFailure, type LengthUnit, parseLength, printNumber } from '../units';

type Spot = { readonly label: string; readonly isOpen: boolean };

/** `isOpen`: cut out, with room around it; the others keep a hand away. */
export const QUIETED_SPOTS = {
  drain: { label: 'Drain', isOpen: true },
  clip: { label: 'Clip’s hole', isOpen: true },
  screw: { label: 'Screw’s hole', isOpen: true },
  access: { label: 'Access hole', isOpen: true },
  wire: { label: 'Wire', isOpen: true },
  moving: { label: 'What moves', isOpen: true },
  beam: { label: 'Beam or bar', isOpen: false },
  skin: { label: 'Skin that stays riveted', isOpen: false },
} as const satisfies Readonly<Record<string, Spot>>;
export type QuietedSpotKind = keyof typeof QUIETED_SPOTS;
export const QUIETED_SPOT_KINDS = Object.keys(QUIETED_SPOTS) as [QuietedSpotKind, ...QuietedSpotKind[]];

const mm = z.number().min(0).max(2000);
export const quietedSpotSchema = z.strictObject({
  what: z.enum(QUIETED_SPOT_KINDS),
  xMm: mm,
  yMm: mm,
  lengthMm: mm.positive(),
  widthMm: mm.positive(),
});
export type QuietedSpot = z.infer<typeof quietedSpotSchema>;
export const MOST_SPOTS = 30;

/**
 * @param text one a line: what, to the right, upwards, long, wide, such as `drain; 120; 40; 20; 20`; empty lines do not count
 * @returns a sentence that names the line, what was read and what would do
 */
export function readSpots(text: string, unit: LengthUnit): Result<readonly QuietedSpot[], string> {
  const spots: QuietedSpot[] = [];
  for (const [index, line] of text.split('\n').entries()) {
    if (line.trim() === '') continue;
    const [word = '', ...lengths] = line.split(';').map((part) => part.trim());
    const what = QUIETED_SPOT_KINDS.find((kind) => kind === word.toLowerCase());
    if (!what || lengths.length !== 4)
      return fail(
        `Line ${index + 1}: “${line.trim().slice(0, 40)}” was read; expected one of ${QUIETED_SPOT_KINDS.join(', ')}, then right; up; long; wide.`,
      );
    const read: number[] = [];
    for (const each of lengths) {
      const length = parseLength(each, unit);
      if (!length.ok) return fail(`Line ${index + 1}: ${explainLengthFailure(length.failure)}`);
      read.push(length.value.valueMm);
    }
    const [xMm, yMm, lengthMm, widthMm] = read;
    const spot = quietedSpotSchema.safeParse({ what, xMm, yMm, lengthMm, widthMm });
    if (!spot.success)
      return fail(
        `Line ${index + 1}: “${line.trim().slice(0, 40)}” lies off the surface: 0 to 2,000 mm, and larger than nothing.`,
      );
    spots.push(spot.data);
  }
  return spots.length > MOST_SPOTS ? fail(`Keep to ${MOST_SPOTS} of them.`) : ok(spots);
}

export function spotsText(spots: readonly QuietedSpot[], unit: LengthUnit): string {
  return spots
    .map(({ what, xMm, yMm, lengthMm, widthMm }) =>
      [what, ...[xMm, yMm, lengthMm, widthMm].map((each) => printNumber(each, unit))].join('; '),
    )
    .join('\n');
}

/** "2 × drain, wire". */
export function spotsWords(spots: readonly Pick<QuietedSpot, 'what'>[]): string {
  const labels = spots.map(({ what }) => QUIETED_SPOTS[what].label.toLowerCase());
  return [...new Set(labels)]
    .map((label) => {
      const count = labels.filter((each) => each === label).length;
      return count === 1 ? label : `${count} × ${label}`;
    })
    .join(', ');
}
