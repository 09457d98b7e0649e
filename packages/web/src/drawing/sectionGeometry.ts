/**
 * What the section shows, in millimetres: x runs from the cabin (−) into the door (+) with 0 at the mounting plane, y
 * downwards from the axis. The cut may stand at any angle about the axis. Each margin that lies in the cut is the
 * dimension from the part to the edge of the clearance that the shop asks: the same number as in the ledger.
 */
import type {
  Candidate,
  CheckId,
  FitOpening,
  FitRules,
  Judgement,
  Mount,
  Nearest,
  ProudThing,
  Verdict,
} from '@low-quarry/core/fit';
import {
  behindClearanceMm,
  frontAskedMm,
  frontClearanceMm,
  holeOf,
  outsideOf,
  raisedMm,
  sheetFit,
  speakerShape,
} from '@low-quarry/core/fit';
import {
  add,
  CENTRED,
  extents,
  outlineMm,
  outlineRadiusMm,
  type PartOutline,
  type Pose,
  scale,
  subtract,
  unit,
} from '@low-quarry/core/geometry';
import { type CutPlane, cutBody, cutObstacle, cutSheet, isInPlane, ringChord, toDrawing } from './cutPlane';
import type { Point } from './DimensionLine';
import type { Extent } from './Drawing';

/** A flat part with a hole, cut: two rectangles, above and below the axis. */
export type Slab = {
  readonly left: number;
  readonly right: number;
  readonly upper: { readonly inner: number; readonly outer: number };
  readonly lower: { readonly inner: number; readonly outer: number };
};

type LayerSlab = Slab & { readonly kind: 'bracket' | 'spacer' };

export type SectionStack = {
  /** Brackets and rings from the metal to the speaker. */
  readonly layers: readonly LayerSlab[];
  readonly flange: Slab;
  readonly body: readonly Point[];
  /** Whether the body's sections are the catalogue's own. */
  readonly isStated: boolean;
  readonly deepestX: number;
  readonly axisY: number;
  readonly coneHalf: number;
  /** Where the tallest part in front ends. */
  readonly frontX: number;
};

type SectionMargin = {
  readonly id: CheckId;
  readonly verdict: Verdict;
  readonly marginMm: number;
  readonly from: Point;
  readonly to: Point;
};

type SectionObstacle = { readonly id: string; readonly label: string; readonly outline: readonly Point[] };

/** A layer in front, cut: closed, or cut out about the axis. */
export type SectionFront = {
  readonly id: string;
  readonly label: string;
  readonly x: number;
  readonly insideHalf: number | null;
  readonly askedMm: number;
};

/** A bead, stud or nut, cut: from the metal to its top, between two heights. */
type SectionProud = {
  readonly id: string;
  readonly label: string;
  readonly topX: number;
  readonly from: number;
  readonly to: number;
};

export type Section = {
  readonly extent: Extent;
  readonly plane: CutPlane;
  /** The wall that the speaker is screwed to. */
  readonly wall: Slab;
  /** The wall of a seat or a housing behind the hole; null for none. */
  readonly bore: Slab | null;
  /** What stands proud of the metal where it is cut. */
  readonly proud: readonly SectionProud[];
  readonly behind: FitOpening['behind'];
  /** What is written beside what stands behind, where that is no glass. */
  readonly behindWord: string;
  /** What stands behind, along the cut: its swept area, its clearance, and where the window stands now. */
  readonly sheet: readonly Point[];
  readonly sheetClearance: readonly Point[];
  readonly window: readonly Point[];
  readonly obstacles: readonly SectionObstacle[];
  readonly grilleX: number | null;
  readonly askedFrontMm: number;
  readonly front: readonly SectionFront[];
  readonly stack: SectionStack | null;
  /** The body and flange of the candidate that is laid over. */
  readonly over: SectionStack | null;
  readonly margins: readonly SectionMargin[];
};

/** Straight up: the cut in which a window leans. */
export const UPRIGHT: CutPlane = { angleRad: Math.PI / 2 };

/** Used only to draw the metal of a hole that nobody has measured. */
const UNKNOWN_HOLE_MM = 120;
const WALL_BEYOND_MM = 26;
/** Room beside the outermost lines for arrows and words. */
const SIDE_ROOM_MM = 24;

export type SectionOptions = {
  readonly plane?: CutPlane;
  /** How far the window is wound up from fully down, mm. */
  readonly windowUpMm?: number;
  /** Another candidate to lay over it. */
  readonly over?: { readonly candidate: Candidate; readonly judgement: Judgement } | null;
};

export function sectionGeometry(
  opening: FitOpening,
  candidate: Candidate | null,
  judgement: Judgement | null,
  rules: FitRules,
  { plane = UPRIGHT, windowUpMm = 0, over = null }: SectionOptions = {},
): Section {
  const hole = outlineMm(opening.hole);
  const half = (angle: number) => (hole ? outlineRadiusMm(hole, angle - opening.holeRad) : UNKNOWN_HOLE_MM / 2);
  const inner = { upper: half(plane.angleRad), lower: half(plane.angleRad + Math.PI) };
  const stack = candidate && toStack(candidate, judgement?.mount ?? null, plane);
  const reach = stack ? [stack.flange, ...stack.layers] : [];
  const widest = Math.max(
    Math.max(inner.upper, inner.lower) + WALL_BEYOND_MM,
    ...reach.flatMap(({ upper, lower }) => [upper.outer + 8, lower.outer + 8]),
  );
  const fitted = sheetFit(opening);
  const sheet = fitted ? cutSheet(fitted.sheet, plane, -widest, widest) : [];
  const asked = behindClearanceMm(opening.behind, rules);
  const obstacles = opening.obstacles.map((obstacle) => ({
    id: obstacle.id,
    label: obstacle.label,
    outline: cutObstacle(obstacle, plane).filter(({ y }) => Math.abs(y) < 2 * widest),
  }));
  const grilleX = opening.frontGap ? -opening.frontGap.valueMm : null;
  const deepest = Math.max(30, stack?.deepestX ?? 0, ...sheet.map(({ x }) => x), ...visible(obstacles, widest));
  const foremost = Math.min(grilleX ?? 0, stack?.frontX ?? 0, -10, ...opening.front.map(({ gap }) => -gap.valueMm));
  return {
    extent: { left: foremost - SIDE_ROOM_MM, right: deepest + SIDE_ROOM_MM, top: -widest - 6, bottom: widest + 6 },
    plane,
    wall: {
      left: 0,
      right: opening.wallMm,
      upper: { inner: inner.upper, outer: widest },
      lower: { inner: inner.lower, outer: widest },
    },
    bore: opening.bore && boreSlab(opening.bore),
    proud: opening.proud.flatMap((thing) => cutProud(thing, plane)),
    behind: opening.behind,
    behindWord: opening.made?.housing.back === 'closed' ? 'panel' : 'metal',
    sheet,
    sheetClearance: sheet.map(({ x, y }) => ({ x: x - asked, y })),
    window: fitted && windowUpMm > 0 ? woundUp(fitted.sheet, plane, windowUpMm, widest) : sheet,
    obstacles,
    grilleX,
    askedFrontMm: Math.max(0, frontAskedMm(opening, rules)),
    front: opening.front.map((layer) => ({
      id: layer.id,
      label: layer.label,
      x: -layer.gap.valueMm,
      insideHalf: layer.inside && layer.inside.valueMm / 2,
      askedMm: frontClearanceMm(layer, rules),
    })),
    stack,
    over: over && toStack(over.candidate, over.judgement.mount, plane),
    margins: judgement ? toMargins(judgement, plane) : [],
  };
}

/** Drawn so thick, mm: how thick the wall of a bore is nobody asks. */
const BORE_WALL_MM = 2;

function boreSlab({ depth, inside }: NonNullable<FitOpening['bore']>): Slab {
  const side = { inner: inside.valueMm / 2, outer: inside.valueMm / 2 + BORE_WALL_MM };
  return { left: 0, right: depth.valueMm, upper: side, lower: side };
}

function cutProud({ id, label, xMm, yMm, diameterMm, height }: ProudThing, plane: CutPlane): readonly SectionProud[] {
  const { angleRad } = plane;
  const asideMm = xMm * Math.sin(angleRad) - yMm * Math.cos(angleRad);
  const square = (diameterMm / 2) ** 2 - asideMm ** 2;
  if (square <= 0) return [];
  const { y } = toDrawing(plane, [xMm, yMm, 0]);
  return [{ id, label, topX: -height.valueMm, from: y - Math.sqrt(square), to: y + Math.sqrt(square) }];
}

function visible(obstacles: readonly SectionObstacle[], widest: number): readonly number[] {
  return obstacles.flatMap(({ outline }) => outline.filter(({ y }) => Math.abs(y) <= widest).map(({ x }) => x));
}

/** The glass with its window wound up: the sheet slides along itself. */
function woundUp(
  sheet: Parameters<typeof cutSheet>[0],
  plane: CutPlane,
  windowUpMm: number,
  widest: number,
): readonly Point[] {
  const lowest = sheet.lowerEdgeMm ?? -widest;
  return cutSheet({ ...sheet, lowerEdgeMm: lowest + windowUpMm }, plane, -widest, widest);
}

function toStack(candidate: Candidate, mount: Mount | null, plane: CutPlane): SectionStack {
  const { speaker, layers } = candidate;
  const pose = mount?.pose ?? CENTRED;
  const body = speakerShape(speaker);
  const points = cutBody(body.ringsMm, pose, plane);
  const height = raisedMm(layers);
  let below = 0;
  let bracket = -1;
  const slabs = layers.map((layer): LayerSlab => {
    const right = 0 - below;
    below += layer.height.valueMm;
    if (layer.kind === 'bracket') bracket++;
    const place = mount?.placement.places[bracket] ?? SEAT;
    const isMade = layer.kind === 'spacer' && layer.made;
    const cut = isMade ? madeRing(candidate, pose, plane) : slabOf(holeOf(layer), outsideOf(layer), place, plane);
    return { kind: layer.kind, left: -below, right, ...cut };
  });
  const basket = extents(speaker.basket);
  return {
    layers: slabs,
    flange: {
      left: -height - speaker.flangeThickness.valueMm,
      right: -height,
      ...slabOf(speaker.basket, speaker.flange, pose, plane, 0.9),
    },
    body: points,
    isStated: body.isStated,
    deepestX: Math.max(...points.map(({ x }) => x)),
    axisY: toDrawing(plane, [pose.xMm, pose.yMm, 0]).y,
    coneHalf: Math.min(basket.length.valueMm, basket.width.valueMm) / 2,
    frontX: -height - body.frontMm,
  };
}

const SEAT = { xMm: 0, yMm: 0, angleRad: 0 };

/** A ring cut to measure goes from the hole it must leave free to the edge of what sits on it. */
function madeRing({ speaker, layers }: Candidate, pose: Pose, plane: CutPlane) {
  const plate = layers.find((layer) => layer.kind === 'bracket')?.plate;
  return slabOf(speaker.basket, plate ?? speaker.flange, pose, plane, 1.02);
}

function slabOf(
  inner: PartOutline,
  outer: PartOutline,
  place: Pick<Pose, 'xMm' | 'yMm' | 'angleRad'>,
  plane: CutPlane,
  innerBy = 1,
): Pick<Slab, 'upper' | 'lower'> {
  const chord = (outline: PartOutline, by: number) => {
    const { length, width } = extents(outline);
    return ringChord((by * length.valueMm) / 2, (by * width.valueMm) / 2, place, plane) ?? { from: 0, to: 0 };
  };
  const hole = chord(inner, innerBy);
  const edge = chord(outer, 1);
  return { upper: { inner: hole.to, outer: edge.to }, lower: { inner: -hole.from, outer: -edge.from } };
}

function toMargins({ checks }: Judgement, plane: CutPlane): readonly SectionMargin[] {
  return checks.flatMap(({ id, verdict, margin, nearest }): readonly SectionMargin[] => {
    if (!margin || !nearest) return [];
    if (!isInPlane(plane, nearest.onPart) || !isInPlane(plane, nearest.onOther)) return [];
    return [
      {
        id,
        verdict,
        marginMm: margin.valueMm,
        from: toDrawing(plane, nearest.onPart),
        to: toDrawing(plane, clearanceEdge(nearest, margin.valueMm)),
      },
    ];
  });
}

/** Where the asked room ends on the way from the part to the other: as far from the part as the margin says. */
function clearanceEdge({ onPart, onOther, askedMm }: Nearest, marginMm: number) {
  const gapMm = marginMm + askedMm;
  if (Math.abs(gapMm) < 1e-6) return onPart;
  const towards = scale(unit(subtract(onOther, onPart)), Math.sign(gapMm));
  return add(onPart, scale(towards, marginMm));
}
