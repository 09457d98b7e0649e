/**
 * What the section shows, in millimetres: x runs from the cabin (−) into the door (+) with 0 at the mounting plane, y
 * downwards from the axis. The cut runs along the opening's long axis. Clearances that the shop asks for are bands in
 * front of what must not be touched, and each margin is the dimension from the part to the edge of its band: the same
 * number as in the ledger, with its sign.
 */
import type { CheckId, Verdict } from '@low-quarry/core/fit/Check';
import { behindClearanceMm } from '@low-quarry/core/fit/checks/depthCheck';
import type { Judgement } from '@low-quarry/core/fit/judgeCandidate';
import type { Candidate, FitOpening, FitRules } from '@low-quarry/core/fit/shapes';
import { raisedByMm, reachBehind, reachInFront } from '@low-quarry/core/fit/stack';
import { extents, type Outline } from '@low-quarry/core/geometry/Outline';
import type { Dimension } from '@low-quarry/core/uncertainty/Dimension';
import type { Point } from './DimensionLine';
import type { Extent } from './Drawing';

export type Slab = { readonly left: number; readonly right: number; readonly inner: number; readonly outer: number };

export type SectionStack = {
  readonly spacer: Slab | null;
  readonly bracket: Slab | null;
  readonly flange: Slab;
  /** Half profile of basket and magnet from the flange's underside to the deepest point. */
  readonly body: readonly Point[];
  readonly magnetFrom: number;
  readonly magnetHalf: number;
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

export type Section = {
  readonly extent: Extent;
  readonly holeHalf: number;
  readonly plateOuter: number;
  readonly glassX: number | null;
  readonly behind: FitOpening['behind'];
  readonly grilleX: number | null;
  readonly asked: { readonly behind: number; readonly front: number; readonly hole: number };
  readonly stack: SectionStack | null;
  readonly margins: readonly SectionMargin[];
};

/** Used only to draw the metal of a hole that nobody has measured. */
const UNKNOWN_HOLE_MM = 120;
const PLATE_BEYOND_MM = 26;
export const PLATE_THICKNESS_MM = 1.5;
/** Room beside the outermost lines for arrows and words. */
const SIDE_ROOM_MM = 24;

export function sectionGeometry(
  opening: FitOpening,
  candidate: Candidate | null,
  judgement: Judgement | null,
  rules: FitRules,
): Section {
  const holeHalf = (lengthOf(opening.hole)?.valueMm ?? UNKNOWN_HOLE_MM) / 2;
  const stack = candidate && toStack(candidate);
  const glassX = opening.behind === 'nothing' ? null : (opening.depthBehind?.valueMm ?? null);
  const grilleX = opening.frontGap ? -opening.frontGap.valueMm : null;
  const asked = {
    behind: behindClearanceMm(opening.behind, rules),
    front: rules.clearancesMm.front,
    hole: rules.clearancesMm.hole,
  };
  const widest = Math.max(
    holeHalf + PLATE_BEYOND_MM,
    stack ? Math.max(stack.flange.outer, stack.bracket?.outer ?? 0, stack.spacer?.outer ?? 0) + 8 : 0,
  );
  const deepest = Math.max(glassX ?? 0, stack?.body.at(-1)?.x ?? 0, 30);
  const foremost = Math.min(grilleX ?? 0, stack?.frontX ?? 0, -10);
  return {
    extent: { left: foremost - SIDE_ROOM_MM, right: deepest + SIDE_ROOM_MM + 8, top: -widest - 6, bottom: widest + 6 },
    holeHalf,
    plateOuter: widest,
    glassX,
    behind: opening.behind,
    grilleX,
    asked,
    stack,
    margins: stack && judgement ? toMargins(judgement, stack, { glassX, grilleX, holeHalf, asked, candidate }) : [],
  };
}

function toStack(candidate: Candidate): SectionStack {
  const { speaker, bracket, spacer } = candidate;
  const raised = raisedByMm(candidate);
  const spacerHeight = spacer?.height.valueMm ?? 0;
  const deepest = reachBehind(candidate).valueMm;
  const depth = deepest + raised;
  const basketHalf = extents(speaker.basket).length.valueMm / 2;
  const magnetHalf = Math.min(speaker.magnetDiameter.valueMm / 2, basketHalf);
  const magnetFrom = -raised + depth * 0.6;
  return {
    spacer: spacer && {
      left: -spacerHeight,
      right: 0,
      inner: halfLength(spacer.inner),
      outer: halfLength(spacer.outer),
    },
    bracket: bracket && {
      left: -raised,
      right: -spacerHeight,
      inner: halfLength(bracket.throat),
      outer: halfLength(bracket.plate),
    },
    flange: {
      left: -raised - speaker.flangeThickness.valueMm,
      right: -raised,
      inner: basketHalf * 0.9,
      outer: halfLength(speaker.flange),
    },
    body: [
      { x: -raised, y: basketHalf },
      { x: -raised + depth * 0.2, y: basketHalf * 0.97 },
      { x: magnetFrom, y: Math.max(magnetHalf, basketHalf * 0.55) },
      { x: magnetFrom, y: magnetHalf },
      { x: deepest, y: magnetHalf },
    ],
    magnetFrom,
    magnetHalf,
    frontX: -reachInFront(candidate).valueMm,
  };
}

type Surroundings = Pick<Section, 'glassX' | 'grilleX' | 'holeHalf' | 'asked'> & { readonly candidate: Candidate };

function toMargins(
  judgement: Judgement,
  stack: SectionStack,
  { glassX, grilleX, holeHalf, asked, candidate }: Surroundings,
): readonly SectionMargin[] {
  const deepest = stack.body.at(-1)?.x ?? 0;
  const basketHalf = stack.body[0]?.y ?? 0;
  return judgement.checks.flatMap(({ id, verdict, margin }): readonly SectionMargin[] => {
    if (!margin) return [];
    const common = { id, verdict, marginMm: margin.valueMm };
    if (id === 'depth' && glassX !== null) {
      const y = stack.magnetHalf * 0.5;
      return [{ ...common, from: { x: deepest, y }, to: { x: glassX - asked.behind, y } }];
    }
    if (id === 'front' && grilleX !== null) {
      return [{ ...common, from: { x: stack.frontX, y: 0 }, to: { x: grilleX + asked.front, y: 0 } }];
    }
    if (id === 'hole' && extents(candidate.speaker.basket).length.valueMm > 0) {
      const tight = passageOf(margin.terms[0]?.name ?? '', stack);
      const half = tight?.inner ?? holeHalf - asked.hole;
      const x = tight ? (tight.left + tight.right) / 2 : PLATE_THICKNESS_MM / 2;
      // On an oval the tight place may lie off the long axis; then the cut does not show it and the ledger tells.
      if (Math.abs(half - basketHalf - margin.valueMm) > 0.05) return [];
      return [{ ...common, from: { x, y: basketHalf }, to: { x, y: half } }];
    }
    return [];
  });
}

function passageOf(term: string, stack: SectionStack): Slab | null {
  if (term.startsWith('bracket.throat')) return stack.bracket;
  return term.startsWith('spacer.inner') ? stack.spacer : null;
}

function halfLength(outline: Outline): number {
  return extents(outline).length.valueMm / 2;
}

function lengthOf(outline: Outline<Dimension | null>): Dimension | null {
  return extents(outline).length;
}
