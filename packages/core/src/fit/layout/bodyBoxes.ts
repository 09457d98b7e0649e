/** Terminals and plugs that stick out of the round body, as boxes in the opening's frame. */

import type { Pose, RectangleMm } from '../../geometry';
import {
  add,
  type BoxSolid,
  boxSolid,
  type ConvexSolid,
  convexDistance,
  cross,
  dot,
  type GlassSheet,
  scale,
  sheetDepthMm,
  subtract,
  unit,
  type Vec3,
} from '../../geometry';
import { EDGE_SHARE, leastBetween } from '../../math';
import type { FitSpeaker } from '../shapes';

export type PlacedBox = {
  readonly label: string;
  readonly live: boolean;
  /** Put on when the body is in: it passes no hole. */
  readonly isPluggedOn: boolean;
  readonly box: BoxSolid;
  readonly solid: ConvexSolid;
  readonly corners: readonly Vec3[];
  /** As seen from the cabin. */
  readonly rectangle: RectangleMm;
  /** Depth of its far face below the flange's underside, mm. */
  readonly toMm: number;
};

const SIGNS = [-1, 1] as const;

/** What the adapter's plug adds to each terminal, with the bend of its wires. */
function plugsOn(boxes: FitSpeaker['boxes'], plugMm: number): FitSpeaker['boxes'] {
  if (plugMm === 0) return [];
  return boxes
    .filter(({ live }) => live)
    .map((box) => ({
      ...box,
      label: `plug on the ${box.label}`,
      live: false,
      innerMm: box.outerMm,
      outerMm: box.outerMm + plugMm,
    }));
}

/** @param plugMm how far a plug stands out beyond the terminals; 0 where none is put on, or nobody knows */
export function placedBoxes({ boxes }: FitSpeaker, pose: Pose, plugMm = 0): readonly PlacedBox[] {
  return [...boxes, ...plugsOn(boxes, plugMm)].map((each, at) => {
    const { label, live, angleRad, innerMm, outerMm, widthMm, fromMm, toMm } = each;
    const turn = pose.angleRad + angleRad;
    const out: Vec3 = [Math.cos(turn), Math.sin(turn), 0];
    const side: Vec3 = [-out[1], out[0], 0];
    const middle: Vec3 = add(scale(out, (innerMm + outerMm) / 2), [
      pose.xMm,
      pose.yMm,
      (fromMm + toMm) / 2 - pose.raisedMm,
    ]);
    const box: BoxSolid = {
      middle,
      axes: [out, side, [0, 0, 1]],
      halfSizeMm: [(outerMm - innerMm) / 2, widthMm / 2, (toMm - fromMm) / 2],
    };
    const rectangle = {
      xMm: middle[0],
      yMm: middle[1],
      angleRad: turn,
      halfLengthMm: (outerMm - innerMm) / 2,
      halfWidthMm: widthMm / 2,
    };
    return {
      label,
      live,
      isPluggedOn: at >= boxes.length,
      box,
      solid: boxSolid(box),
      corners: boxCorners(box),
      rectangle,
      toMm,
    };
  });
}

function boxCorners({ middle, axes: [e1, e2, e3], halfSizeMm: [a, b, c] }: BoxSolid): readonly Vec3[] {
  return SIGNS.flatMap((x) =>
    SIGNS.flatMap((y) => SIGNS.map((z) => add(middle, add(add(scale(e1, x * a), scale(e2, y * b)), scale(e3, z * c))))),
  );
}

export type BoxGap = { readonly gapMm: number; readonly direction: Vec3; readonly onBox: Vec3; readonly onOther: Vec3 };

const FOOT_STEPS = 8;
/** Half the size of the block that stands for the glass beyond its lower edge. */
const BLOCK_MM = 500;

/**
 * Gap of a box to the swept glass. Against a flat sheet, or one that is hollow towards the cabin, a corner is nearest;
 * against one that bulges towards it a place between corners may be, up and down its sides. Below the lower edge the gap
 * is that to the edge.
 */
export function boxSheetGap({ corners, solid }: PlacedBox, sheet: GlassSheet): BoxGap {
  const places = sheet.c3 > 0 ? [...corners, ...betweenCorners(corners, sheet)] : corners;
  const nearest = places
    .map((corner) => cornerGap(corner, sheet))
    .reduce((least, each) => (each.gapMm < least.gapMm ? each : least));
  const edge = sheet.lowerEdgeMm;
  if (edge === null || nearest.onOther[1] >= edge) return nearest;
  const slope = sheet.c2 + 2 * sheet.c3 * edge;
  const normal = unit([-sheet.c1, -slope, 1]);
  const along = unit([1, 0, sheet.c1]);
  const up = cross(normal, along);
  const at: Vec3 = [0, edge, sheetDepthMm(sheet, 0, edge)];
  const block = boxSolid({
    middle: add(at, scale(add(normal, up), BLOCK_MM)),
    axes: [along, up, normal],
    halfSizeMm: [BLOCK_MM, BLOCK_MM, BLOCK_MM],
  });
  const { distanceMm, direction, onFirst, onSecond } = convexDistance(solid, block);
  return { gapMm: distanceMm, direction, onBox: onFirst, onOther: onSecond };
}

/** Places on the sides of the far face from which a bulging sheet is met first. */
function betweenCorners(corners: readonly Vec3[], sheet: GlassSheet): readonly Vec3[] {
  // The far corners of `boxCorners`, in the order in which they stand around the face.
  const around = [corners[1], corners[3], corners[7], corners[5]] as readonly Vec3[];
  return around.map((from, at) => {
    const along = subtract(around[(at + 1) % 4] as Vec3, from);
    const place = (share: number) => add(from, scale(along, share));
    return place(leastBetween((share) => cornerGap(place(share), sheet).gapMm, 0, 1, EDGE_SHARE));
  });
}

function cornerGap(corner: Vec3, sheet: GlassSheet): BoxGap {
  let y = corner[1];
  let normal: Vec3 = [0, 0, 1];
  let gapMm = 0;
  for (let step = 0; step < FOOT_STEPS; step++) {
    normal = unit([-sheet.c1, -(sheet.c2 + 2 * sheet.c3 * y), 1]);
    gapMm = dot(normal, subtract([0, y, sheetDepthMm(sheet, 0, y)], corner));
    y = corner[1] + gapMm * normal[1];
  }
  return { gapMm, direction: normal, onBox: corner, onOther: add(corner, scale(normal, gapMm)) };
}
