/** Where the screws of a stack's joints stand, and what their places depend on. */
import type { HoleMm } from '../../geometry';
import { LAYER, layerAt } from '../layout/slots';
import type { View } from '../layout/View';
import type { LayerPlace } from '../mates/placements';

const CENTRE: LayerPlace = { xMm: 0, yMm: 0, angleRad: 0 };

/** The layer of the bracket whose upper side holds the screws of a joint; −1 for the vehicle's. */
export function lowerOf({ layers }: View, joint: number): number {
  let brackets = 0;
  for (let at = 0; at < layers.length; at++) {
    if (layers[at]?.layer.kind !== 'bracket') continue;
    brackets++;
    if (brackets === joint) return at;
  }
  return -1;
}

export function screwSlot(view: View, joint: number): number {
  return joint === 0 ? view.opening.boltSlot : layerAt(lowerOf(view, joint)) + LAYER.upperFirst;
}

/** Which joint's screws go through a layer, and where they stand. */
export function screwsThrough(view: View, layer: number): { readonly joint: number; readonly place: LayerPlace } {
  let joint = 0;
  for (let at = 0; at < layer; at++) if (view.layers[at]?.layer.kind === 'bracket') joint++;
  const lower = lowerOf(view, joint);
  return { joint, place: lower < 0 ? CENTRE : view.placeOf(lower) };
}

/** What a part's screws do to a gap in the direction n when its pattern's lengths change. */
export function addMoves(
  view: View,
  slot: number,
  moves: readonly (readonly HoleMm[])[],
  screw: number,
  { angleRad }: LayerPlace,
  nx: number,
  ny: number,
): void {
  moves.forEach((each, length) => {
    const { xMm, yMm } = each[screw] as HoleMm;
    const [x, y] = [
      xMm * Math.cos(angleRad) - yMm * Math.sin(angleRad),
      xMm * Math.sin(angleRad) + yMm * Math.cos(angleRad),
    ];
    view.doubts.add(slot + length, x * nx + y * ny);
  });
}

/** A place of a part's own frame in the opening's, mm. */
export function onFace({ xMm, yMm, angleRad }: LayerPlace, { xMm: x, yMm: y }: HoleMm): readonly [number, number] {
  const cos = Math.cos(angleRad);
  const sin = Math.sin(angleRad);
  return [xMm + x * cos - y * sin, yMm + x * sin + y * cos];
}
