/** Every plate that the body goes through, from the metal to the flange: the hole in the metal and that of each layer. */
import type { OutlineMm, PartOutline } from '../../geometry';
import { type EllipseMm, type OutlineRoom, outlineRoom } from '../../geometry';
import type { LayerPlace } from '../mates/placements';
import type { LayerShape } from './LayerShape';
import { LAYER, layerAt, MOST_LAYERS } from './slots';
import type { View } from './View';

/** The metal itself as a plate; layers are counted from 0. */
export const METAL = -1;
/** The seat or housing behind it, which begins in its plane. */
export const BORE = MOST_LAYERS + 1;

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

export type PassedPlate = {
  /** Which layer, `METAL` for the hole in the metal, `BORE` for what lies behind it. */
  readonly layer: number;
  readonly outline: OutlineMm;
  readonly firstSlot: number;
  readonly place: LayerPlace;
  /** Depth of its cabin face below the flange's underside, mm. */
  readonly depthMm: number;
};

/** A plate of the stack; null where its hole is cut to suit the body, or has not been measured. */
export function passedPlate(view: View, layer: number): PassedPlate | null {
  const { raisedMm, belowMm, opening, layers } = view;
  if (layer === METAL) {
    const { hole } = opening;
    return (
      hole && { layer, outline: hole.outline, firstSlot: hole.firstSlot, place: opening.holePlace, depthMm: raisedMm }
    );
  }
  if (layer === BORE) return opening.bore && { layer, ...opening.bore, place: CENTRE, depthMm: raisedMm };
  const { inner, isMade } = layers[layer] as LayerShape;
  if (isMade) return null;
  return {
    layer,
    outline: inner,
    firstSlot: layerAt(layer) + LAYER.innerLength,
    place: view.placeOf(layer),
    depthMm: raisedMm - (belowMm[layer + 1] as number),
  };
}

/** Where a plate lies above which layers: its depth below the flange is the height of these. */
export function addPlateDepth(view: View, { layer }: Pick<PassedPlate, 'layer'>, by: number): void {
  view.addHeights(by, layer === BORE ? 0 : layer + 1);
}

/** What the lengths of a plate's outline add. */
export function addOutline(view: View, firstSlot: number, slopes: readonly number[], by = 1): void {
  for (let at = 0; at < slopes.length; at++) view.doubts.add(firstSlot + at, by * (slopes[at] as number));
}

/** An ellipse about a place of the face, seen from a plate that may be turned and off centre itself. */
export function ellipseInPlate(
  { xMm, yMm, angleRad }: LayerPlace,
  halfLengthMm: number,
  halfWidthMm: number,
  plate: LayerPlace,
): EllipseMm {
  const cos = Math.cos(plate.angleRad);
  const sin = Math.sin(plate.angleRad);
  const dx = xMm - plate.xMm;
  const dy = yMm - plate.yMm;
  const turn = angleRad - plate.angleRad;
  return {
    xMm: dx * cos + dy * sin,
    yMm: dy * cos - dx * sin,
    halfLengthMm,
    halfWidthMm,
    angleRad: Math.abs(Math.sin(turn)) < ALIGNED ? 0 : turn,
  };
}

/** Below this sine two axes are one. */
const ALIGNED = 1e-12;

/** How much room an ellipse has in a plate's outline; round in round in closed form. Good until it is asked again. */
export function roomIn(
  outline: OutlineMm,
  plate: LayerPlace,
  at: LayerPlace,
  halfLengthMm: number,
  halfWidthMm: number,
): OutlineRoom {
  if (outline.kind === 'circle' && halfLengthMm === halfWidthMm) {
    const dx = at.xMm - plate.xMm;
    const dy = at.yMm - plate.yMm;
    const apart = Math.sqrt(dx * dx + dy * dy);
    const cos = Math.cos(plate.angleRad);
    const sin = Math.sin(plate.angleRad);
    // In the plate's own frame, as `outlineRoom` has it.
    const nx = apart > 0 ? (dx * cos + dy * sin) / apart : 1;
    const ny = apart > 0 ? (dy * cos - dx * sin) / apart : 0;
    const room = roundRoom;
    room.roomMm = outline.diameter / 2 - apart - halfLengthMm;
    room.nx = nx;
    room.ny = ny;
    return room;
  }
  const ellipse = ellipseInPlate(at, halfLengthMm, halfWidthMm, plate);
  if (ellipse.xMm !== 0 || ellipse.yMm !== 0 || ellipse.angleRad !== 0) return outlineRoom(outline, ellipse);
  let rooms = centred.get(outline);
  if (!rooms) {
    rooms = new Map();
    centred.set(outline, rooms);
  }
  // Half axes in units of 0.1 µm as one whole number: sizes up to 400 mm stay exact.
  const key = Math.round(halfLengthMm * 1e4) * 1e7 + Math.round(halfWidthMm * 1e4);
  let room = rooms.get(key);
  if (!room) {
    room = outlineRoom(outline, ellipse);
    if (rooms.size < MOST_ROOMS) rooms.set(key, room);
  }
  return room;
}

/** Rooms of centred and aligned sections that were asked before: parts come in the same sizes again and again. */
const centred = new WeakMap<OutlineMm, Map<number, OutlineRoom>>();
const MOST_ROOMS = 4096;

/** The answer for round in round, written over and over. */
const roundRoom = { roomMm: 0, nx: 1, ny: 0, outer: [0.5], innerAlong: -1, innerAcross: 0 };

/** A direction of the plate's own frame in the opening's. */
export function fromPlate({ angleRad }: LayerPlace, nx: number, ny: number): readonly [number, number] {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return [nx * cos - ny * sin, nx * sin + ny * cos];
}

/** What the lengths of a part add that lies inside an outline: a round one grows both ways at once. */
export function addInside(
  view: View,
  firstSlot: number,
  { kind }: Pick<PartOutline, 'kind'>,
  { innerAlong, innerAcross }: Pick<OutlineRoom, 'innerAlong' | 'innerAcross'>,
): void {
  if (kind === 'circle') view.doubts.add(firstSlot, (innerAlong + innerAcross) / 2);
  else addOutline(view, firstSlot, [innerAlong / 2, innerAcross / 2]);
}
