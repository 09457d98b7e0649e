/**
 * Heads: wide enough to bear beside the hole or the slot that they press on, wherever in its play the screw stands; and on the flange
 * not so wide, or so far in, that they stand on the surround.
 */
import { patternHoles } from '../../geometry';
import type { LengthUnit } from '../../units';
import { printLength } from '../../units';
import { SPEAKER } from '../layout/slots';
import type { View } from '../layout/View';
import type { JointTurn } from '../mates/Joint';
import type { ScrewRun, Served } from './screwRuns';

/** A head bears by so much on either side, and stays so far off what moves, mm (common practice, no source). */
const BEARING_MM = 0.5;

/** Tags of a check that asks both. */
export const BEARS = 62;
export const SURROUND = 63;

export type HeadGap = { readonly what: typeof BEARS | typeof SURROUND; readonly valueMm: number };

/** @returns what is left under and beside the heads of a bag; nothing of what the catalogue does not say */
export function headGaps(view: View, run: ScrewRun, { bag }: Served): readonly HeadGap[] {
  const { headMm } = bag;
  if (headMm === null) return [];
  const { holeSide, playMm } = view.joints[run.joint] as View['joints'][number];
  const { turn } = view.placement.turns[run.joint] as JointTurn;
  const off = Math.max(0, ...turn.misalignmentsMm.filter((mm) => mm <= playMm));
  const bears = { what: BEARS, valueMm: (headMm - holeSide.holeDiameterMm) / 2 - off - BEARING_MM } as const;
  const { surroundMm, bolts } = view.speaker.speaker;
  if (run.upper !== view.layers.length || surroundMm === null) return [bears];
  const nearest = Math.min(
    ...patternHoles(bolts).map(({ xMm, yMm, slotXMm, slotYMm }) => Math.hypot(xMm, yMm) - Math.hypot(slotXMm, slotYMm)),
  );
  return [bears, { what: SURROUND, valueMm: nearest - headMm / 2 - surroundMm / 2 - BEARING_MM }];
}

/** What the room of a head depends on. */
export function addHead(view: View, { slot }: Served, { what }: HeadGap): void {
  view.doubts.add(slot, what === BEARS ? 0.5 : -0.5);
  if (what === SURROUND) {
    view.doubts.add(SPEAKER.boltFirst, 0.5);
    view.doubts.add(SPEAKER.widths, -0.5);
  }
}

/** What is wrong with the heads of a bag, in sentences. */
export function headWords(view: View, run: ScrewRun, served: Served, unit: LengthUnit): readonly string[] {
  const { headMm } = served.bag;
  return headGaps(view, run, served).flatMap(({ what, valueMm }) => {
    if (valueMm >= 0 || headMm === null) return [];
    const head = printLength(headMm, unit);
    return what === BEARS
      ? `Their heads of ${head} do not bear beside the holes: a washer under each, wider by ${printLength(-2 * valueMm, unit)} at the least.`
      : `Their heads of ${head} would stand ${printLength(-valueMm, unit)} too near to the surround: smaller heads, or sunk ones.`;
  });
}
