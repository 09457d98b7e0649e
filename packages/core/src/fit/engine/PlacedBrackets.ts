/**
 * The brackets of a chain as they lie on the vehicle, with the figures that the engine needs of them. All speakers on them
 * share these, whatever their bolt class.
 */
import { type BracketPlace, bracketPlaces, type NamedJoint, notchOn } from '../mount';
import { stackIds } from '../Ranking';
import type { FitBracket } from '../shapes';

export type ThroatPlace = BracketPlace & {
  readonly bracket: FitBracket;
  /** Depth of its front face below the flange's underside, mm, its variance, and the sum of the squares of its parts. */
  readonly depthMm: number;
  readonly depthVariance: number;
  readonly depthFourth: number;
};

export type PlacedBrackets = {
  /** From the metal to the speaker. */
  readonly brackets: readonly FitBracket[];
  readonly places: readonly BracketPlace[];
  readonly raisedMm: number;
  readonly raisedVariance: number;
  /** Sum of the squares of its parts, for how rectangular it is. */
  readonly raisedFourth: number;
  readonly costMinor: number;
  readonly ids: string;
  /** Where the notch of the first bracket that has one points, rad; null for none. */
  readonly notchRad: number | null;
  /** Of each bracket, from the speaker down. */
  readonly throats: readonly ThroatPlace[];
  /** How far the speaker's axis lies off the hole's centre, mm. */
  readonly offAxisMm: number;
  /** What a round body on the axis may measure from it in the throats, mm; NaN where a throat is not round. */
  readonly throatRadiusMm: number;
};

/**
 * @param brackets from the metal to the speaker
 * @param joints from the vehicle up, at least one for each bracket; empty where the vehicle's screws are not known
 */
export function placedBrackets(brackets: readonly FitBracket[], joints: readonly NamedJoint[]): PlacedBrackets {
  const places = bracketPlaces(brackets, joints);
  const throats: ThroatPlace[] = [];
  let raisedMm = 0;
  let raisedVariance = 0;
  let raisedFourth = 0;
  let costMinor = 0;
  // From the speaker down: a plate lies as deep as what stands above it is high.
  for (let at = brackets.length - 1; at >= 0; at--) {
    const bracket = brackets[at] as FitBracket;
    const { xMm, yMm, angleRad } = places[at] as BracketPlace;
    const depth = { depthMm: raisedMm, depthVariance: raisedVariance, depthFourth: raisedFourth };
    throats.push({ bracket, xMm, yMm, angleRad, ...depth });
    const { valueMm, uncertaintyMm } = bracket.height;
    raisedMm += valueMm;
    raisedVariance += uncertaintyMm ** 2;
    raisedFourth += uncertaintyMm ** 4;
    costMinor += bracket.pieceCostMinor;
  }
  const axis = places[places.length - 1] ?? { xMm: 0, yMm: 0 };
  const radii = throats.map(({ bracket: { throat }, xMm, yMm }) =>
    throat.kind === 'circle' ? throat.diameter.valueMm / 2 - Math.hypot(axis.xMm - xMm, axis.yMm - yMm) : Number.NaN,
  );
  return {
    brackets,
    places,
    raisedMm,
    raisedVariance,
    raisedFourth,
    costMinor,
    ids: stackIds(
      brackets.map(({ id }) => id),
      null,
    ),
    notchRad: notchOn(brackets, places),
    throats,
    offAxisMm: Math.hypot(axis.xMm, axis.yMm),
    throatRadiusMm: Math.min(...radii),
  };
}
