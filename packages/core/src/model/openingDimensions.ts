/**
 * The dimensions of an opening: their names, what they mean, and the range in which a figure makes sense.
 *
 * The limits are there to stop a slip of the finger (60 typed as 600, centimetres as millimetres), not to judge a car;
 * they are wide (common practice, no source).
 */
import type { OpeningDimensionKey } from '../fit';
import type { LengthUnit } from '../units';
import { printLength } from '../units';

export type DimensionFacts = {
  readonly label: string;
  readonly hint: string;
  readonly leastMm: number;
  readonly mostMm: number;
};

export const OPENING_DIMENSIONS: Readonly<Record<OpeningDimensionKey, DimensionFacts>> = {
  holeDiameter: {
    label: 'Hole diameter',
    hint: 'Across the hole in the metal, at its narrowest.',
    leastMm: 20,
    mostMm: 320,
  },
  holeLength: { label: 'Hole length', hint: 'Along the long axis of the oval hole.', leastMm: 40, mostMm: 320 },
  holeWidth: {
    label: 'Hole width',
    hint: 'Across the oval hole, at right angles to its length.',
    leastMm: 20,
    mostMm: 320,
  },
  boltCircle: {
    label: 'Bolt circle',
    hint: 'Diameter of the circle through the middles of the screw holes.',
    leastMm: 20,
    mostMm: 340,
  },
  boltWidth: {
    label: 'Bolt width',
    hint: 'Between screw holes along the long axis, middle to middle.',
    leastMm: 20,
    mostMm: 340,
  },
  boltHeight: {
    label: 'Bolt height',
    hint: 'Between screw holes across the long axis, middle to middle.',
    leastMm: 20,
    mostMm: 340,
  },
  depthBehind: {
    label: 'Depth behind',
    hint: 'From the metal the speaker is screwed to, straight in, to the first thing behind. Window fully down.',
    leastMm: 8,
    mostMm: 400,
  },
  depthTop: {
    label: 'Depth at the top',
    hint: 'Straight in, as at the centre, at the top edge of the hole.',
    leastMm: 8,
    mostMm: 400,
  },
  depthBottom: {
    label: 'Depth at the bottom',
    hint: 'Straight in, as at the centre, at the bottom edge of the hole.',
    leastMm: 8,
    mostMm: 400,
  },
  depthFront: {
    label: 'Depth at the front',
    hint: 'Straight in, as at the centre, at the edge of the hole towards the front of the vehicle.',
    leastMm: 8,
    mostMm: 400,
  },
  depthRear: {
    label: 'Depth at the rear',
    hint: 'Straight in, as at the centre, at the edge of the hole towards the rear of the vehicle.',
    leastMm: 8,
    mostMm: 400,
  },
  lowerEdge: {
    label: 'Lower edge of the glass',
    hint: 'Height above the centre of the hole with the window fully down; below the centre with a minus.',
    leastMm: -250,
    mostMm: 250,
  },
  frontGap: {
    label: 'Front gap',
    hint: 'From the same metal to the back of the grille or door card.',
    leastMm: 0,
    mostMm: 120,
  },
};

export const OPENING_DIMENSION_KEYS = Object.keys(OPENING_DIMENSIONS) as [
  OpeningDimensionKey,
  ...OpeningDimensionKey[],
];

/** What is wrong with a value for a dimension, as a sentence with what was read and what is expected; null when nothing is. */
export function dimensionRangeError(key: OpeningDimensionKey, valueMm: number, unit: LengthUnit = 'mm'): string | null {
  const { label, leastMm, mostMm } = OPENING_DIMENSIONS[key];
  if (valueMm >= leastMm && valueMm <= mostMm) return null;
  return `${label}: ${printLength(valueMm, unit)} was read; expected ${printLength(leastMm, unit)} to ${printLength(mostMm, unit)}.`;
}
