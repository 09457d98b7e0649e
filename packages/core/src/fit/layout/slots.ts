/**
 * Where each dimension of a candidate has its place among all that a length can depend on: the speaker's first, then those
 * of each layer of the stack, then the opening's own.
 */

/** The speaker's dimensions, by the name they have in a margin. A round outline has its diameter in the slot of the length. */
export const SPEAKER = {
  basketLength: 0,
  basketWidth: 1,
  flangeLength: 2,
  flangeWidth: 3,
  flangeThickness: 4,
  mountingDepth: 5,
  depthDatum: 6,
  frontHeight: 7,
  magnetDiameter: 8,
  profile: 9,
  widths: 10,
  boxes: 11,
  boltFirst: 12,
  boltSecond: 13,
  screws: 14,
} as const;
export const SPEAKER_SLOTS = 15;

/** The dimensions of one layer. */
export const LAYER = {
  innerLength: 0,
  innerWidth: 1,
  outerLength: 2,
  outerWidth: 3,
  height: 4,
  /** Towards the vehicle: the two lengths of a bolt pattern. */
  lowerFirst: 5,
  lowerSecond: 6,
  /** Towards the speaker. */
  upperFirst: 7,
  upperSecond: 8,
  screws: 9,
  ears: 10,
} as const;
export const LAYER_SLOTS = 11;

/** Two rings, and two brackets, or a ring between. */
export const MOST_LAYERS = 4;

export const OPENING_AT = SPEAKER_SLOTS + MOST_LAYERS * LAYER_SLOTS;

/** The first slot of a layer, counted from the metal. */
export function layerAt(layer: number): number {
  return SPEAKER_SLOTS + layer * LAYER_SLOTS;
}
