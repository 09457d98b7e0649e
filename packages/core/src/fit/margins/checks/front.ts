/**
 * What is in front of the opening: the grille or card that the front gap was read to, and every further layer, against the
 * stack that stands into the cabin. A closed layer stops all of it. Into a frame goes what is narrower than it: each part must
 * either stay behind it, or pass through it with the room that a hole asks.
 */

import type { OutlineRoom } from '../../../geometry';
import { extents, type PartOutline } from '../../../geometry';
import type { LengthUnit } from '../../../units';
import { printLength } from '../../../units';
import { outsideOf } from '../../layout/LayerShape';
import type { FrontShape } from '../../layout/OpeningShape';
import { addInside, addOutline, roomIn } from '../../layout/plates';
import { LAYER, layerAt, SPEAKER } from '../../layout/slots';
import type { View } from '../../layout/View';
import type { LayerPlace } from '../../mates/placements';
import type { FitOpening, FitRules, FrontLayer } from '../../shapes';
import { CLOTH_MM } from '../../work/Work';
import type { CheckKind, Told } from '../CheckKind';
import type { Gaps } from '../Gaps';

const GAP = 0;
const MISSING = 1;
const UNCOVERED = 2;
/** Tags from here: a further layer, and the part that meets it. */
const FIRST_LAYER = 16;
const PARTS = 8;

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

export const front: CheckKind = {
  askedAt: 6,
  mostSides: 1,
  dependsOnTurn: ({ opening }) => opening.front.some(({ inside }) => inside),
  setsHeight: 'most',
  ask(view, gaps, { clearancesMm }) {
    const { frontGap } = view.opening.opening;
    const { doubts, opening } = view;
    if (frontGap) {
      doubts.add(opening.frontSlot, 1);
      addFront(view);
      gaps.offer(frontGap.valueMm - reachInFrontMm(view) - frontAskedMm(view.opening.opening, { clearancesMm }), GAP);
    }
    for (let at = 0; at < opening.front.length; at++)
      askLayer(view, gaps, opening.front[at] as FrontShape, clearancesMm, FIRST_LAYER + at * PARTS);
    if (frontGap) return;
    if (view.opening.opening.made) gaps.fact('clears', UNCOVERED);
    else gaps.missing(MISSING);
  },
  tell(view, gaps, rules, unit) {
    if (gaps.tag >= FIRST_LAYER) return layerWords(view, gaps, rules, unit);
    const { frontGap } = view.opening.opening;
    if (gaps.tag === UNCOVERED)
      return { sentence: 'Its face has no grille, and nothing that was noted stands over it.', nearest: null };
    if (gaps.tag === MISSING || !frontGap)
      return { sentence: 'The gap to the grille has not been taken.', nearest: null, missing: ['frontGap'] };
    const { xMm, yMm } = view.pose;
    const asked = frontAskedMm(view.opening.opening, rules);
    return {
      sentence: frontWords('front', 'grille', gaps, asked, unit),
      nearest: {
        onPart: [xMm, yMm, -reachInFrontMm(view)],
        onOther: [xMm, yMm, -frontGap.valueMm],
        askedMm: Math.max(0, asked),
      },
    };
  },
};

/** The clearance that a layer asks. */
export function frontClearanceMm(
  { kind }: Pick<FrontLayer, 'kind'>,
  { clearancesMm }: Pick<FitRules, 'clearancesMm'>,
): number {
  return kind === 'cloth' ? clearancesMm.cloth : clearancesMm.front;
}

/** The room that is asked to what the front gap was read to, mm; negative where it may be stood into. */
export function frontAskedMm(
  { clothIsCut }: Pick<FitOpening, 'clothIsCut'>,
  { clearancesMm }: Pick<FitRules, 'clearancesMm'>,
): number {
  return clothIsCut ? -CLOTH_MM : clearancesMm.front;
}

/** How far the stack stands into the cabin from the mounting plane, mm. */
function reachInFrontMm({ raisedMm, speaker }: View): number {
  return raisedMm + speaker.frontMm;
}

function addFront(view: View): void {
  view.addHeights(-1);
  view.doubts.add(SPEAKER.flangeThickness, -1);
  view.doubts.add(SPEAKER.frontHeight, -1);
}

/** A part of the stack as a layer in front meets it. */
type Part = {
  readonly name: string;
  readonly reachMm: number;
  readonly addReach: () => void;
  readonly outline: PartOutline;
  readonly firstSlot: number;
  readonly place: LayerPlace;
};

/** The cone with what stands in front of it, the flange, and every plate under it. */
function partsOf(view: View): readonly Part[] {
  const { speaker: shape, layers, belowMm, raisedMm, doubts } = view;
  const { speaker } = shape;
  const place = view.placement.at;
  const addTo = (top: number) => {
    for (let at = 0; at < top; at++) doubts.add(layerAt(at) + LAYER.height, -1);
  };
  return [
    {
      name: 'front',
      reachMm: reachInFrontMm(view),
      addReach: () => addFront(view),
      outline: speaker.basket,
      firstSlot: SPEAKER.basketLength,
      place,
    },
    {
      name: 'flange',
      reachMm: raisedMm + speaker.flangeThickness.valueMm,
      addReach: () => {
        addTo(layers.length);
        doubts.add(SPEAKER.flangeThickness, -1);
      },
      outline: speaker.flange,
      firstSlot: SPEAKER.flangeLength,
      place,
    },
    ...layers.map(({ layer, isMade }, at): Part => {
      // What is cut to suit ends at the flange that it carries.
      const own = isMade
        ? { outline: speaker.flange, firstSlot: SPEAKER.flangeLength, place }
        : { outline: outsideOf(layer), firstSlot: layerAt(at) + LAYER.outerLength, place: view.placeOf(at) };
      const name = layer.kind === 'bracket' ? 'bracket' : 'ring';
      return { name, reachMm: belowMm[at + 1] as number, addReach: () => addTo(at + 1), ...own };
    }),
  ];
}

function askLayer(
  view: View,
  gaps: Gaps,
  shape: FrontShape,
  clearancesMm: FitRules['clearancesMm'],
  tag: number,
): void {
  const asked = frontClearanceMm(shape.layer, { clearancesMm });
  const parts = partsOf(view);
  // The front reaches farthest: what is closed stops it first.
  const met = shape.inside ? parts : parts.slice(0, 1);
  met.forEach((part, at) => {
    const behindMm = shape.layer.gap.valueMm - part.reachMm - asked;
    const through = throughFrame(shape, part);
    const asideMm = through ? through.roomMm - clearancesMm.hole : Number.NEGATIVE_INFINITY;
    if (through && asideMm > behindMm) {
      addOutline(view, shape.insideSlot, through.outer);
      addInside(view, part.firstSlot, part.outline, through);
    } else {
      view.doubts.add(shape.gapSlot, 1);
      part.addReach();
    }
    gaps.offer(Math.max(behindMm, asideMm), tag + at);
  });
}

function throughFrame({ inside }: FrontShape, { outline, place }: Part): OutlineRoom | null {
  if (!inside) return null;
  const { length, width } = extents(outline);
  return roomIn(inside, CENTRE, place, length.valueMm / 2, width.valueMm / 2);
}

function frontWords(
  part: string,
  what: string,
  { valueMm, verdict }: Pick<Gaps, 'valueMm' | 'verdict'>,
  askedMm: number,
  unit: LengthUnit,
): string {
  const isCut = askedMm < 0;
  const room = isCut
    ? `where its cloth is cut away ${printLength(-askedMm, unit)} are free`
    : `the shop asks ${printLength(askedMm, unit)}`;
  const gap = valueMm + askedMm;
  const close = verdict === 'measure' ? ', too close to call' : '';
  if (isCut && gap < 0) {
    const into = valueMm < 0 ? 'would push' : 'stands';
    return `The ${part} ${into} ${printLength(-gap, unit)} into the ${what}; ${room}${close}.`;
  }
  return gap < 0
    ? `The ${part} would push ${printLength(-gap, unit)} into the ${what}; ${room} of air.`
    : `The ${part} stays ${printLength(gap, unit)} behind the ${what}; ${room}${close}.`;
}

function layerWords(view: View, gaps: Gaps, { clearancesMm }: FitRules, unit: LengthUnit): Told {
  const at = Math.floor((gaps.tag - FIRST_LAYER) / PARTS);
  const shape = view.opening.front[at];
  const part = partsOf(view)[(gaps.tag - FIRST_LAYER) % PARTS];
  if (!shape || !part) throw new Error('front: expected the layer and the part that decide');
  const { layer } = shape;
  const asked = frontClearanceMm(layer, { clearancesMm });
  const { xMm, yMm } = part.place;
  const behindMm = layer.gap.valueMm - part.reachMm - asked;
  const isThrough = gaps.valueMm > behindMm + SAME_MM;
  const nearest = {
    onPart: [xMm, yMm, -part.reachMm] as const,
    onOther: [xMm, yMm, -layer.gap.valueMm] as const,
    askedMm: asked,
  };
  if (!isThrough) return { sentence: frontWords(part.name, layer.label, gaps, asked, unit), nearest };
  const room = printLength(Math.abs(gaps.valueMm + clearancesMm.hole), unit);
  const sentence =
    gaps.valueMm + clearancesMm.hole < 0
      ? `The ${part.name} is ${room} too wide to pass through the ${layer.label}; the shop asks ${printLength(clearancesMm.hole, unit)} beside it.`
      : `The ${part.name} passes through the ${layer.label} with ${room} beside it; the shop asks ${printLength(clearancesMm.hole, unit)}.`;
  return { sentence, nearest: null };
}

/** Figures nearer to each other are one, mm. */
const SAME_MM = 1e-6;
