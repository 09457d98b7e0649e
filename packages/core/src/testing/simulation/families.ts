/**
 * What cars, parts and fitters are like, family by family: the engine's own priors are one of them, and the others lie at
 * their edges and beyond. What a family does not name is as usual.
 */

export const FAMILIES = [
  'usual',
  'steepGlass',
  'flatGlass',
  'leaningSkin',
  'underEdge',
  'waists',
  'tabs',
  'brackets',
  'doubtfulBeam',
  'commonStick',
  'makersBias',
] as const;
export type Family = (typeof FAMILIES)[number];

/** A value drawn evenly from a range. */
type Range = readonly [number, number];

export type Ways = {
  readonly behind: 'glass' | 'metal';
  /** Slopes and curvature of what stands behind; null: as the engine takes them to be. */
  readonly lean: Range | null;
  readonly sideLean: Range | null;
  readonly curvature: Range | null;
  readonly lowerEdgeMm: Range;
  /** How often each further depth is read. */
  readonly furtherDepths: number;
  readonly hole: 'circle' | 'tabs';
  readonly bodies: 'plain' | 'waist';
  readonly hasBrackets: boolean;
  readonly beamPlaceHalfWidthMm: number;
  readonly beamShare: number;
  /** Whether one stick's error is the same at every place that it reads. */
  readonly isStickCommon: boolean;
  /** Whether a maker rounds every length the same way. */
  readonly isMakerBiased: boolean;
};

const USUAL: Ways = {
  behind: 'glass',
  lean: null,
  sideLean: null,
  curvature: null,
  lowerEdgeMm: [-60, 10],
  furtherDepths: 0.35,
  hole: 'circle',
  bodies: 'plain',
  hasBrackets: false,
  beamPlaceHalfWidthMm: 5,
  beamShare: 0.6,
  isStickCommon: false,
  isMakerBiased: false,
};

/** Glass and skins beyond what the class says are read all round: whoever sees them lean reads on. */
const READ_ROUND = 1;

export const WAYS: Readonly<Record<Family, Ways>> = {
  usual: USUAL,
  steepGlass: { ...USUAL, lean: [-0.3, -0.17], furtherDepths: READ_ROUND, lowerEdgeMm: [-140, -100] },
  flatGlass: { ...USUAL, lean: [-0.01, 0.01], curvature: [0, 0], furtherDepths: READ_ROUND, lowerEdgeMm: [-140, -100] },
  leaningSkin: { ...USUAL, behind: 'metal', lean: [-0.15, 0.15], sideLean: [-0.1, 0.1], furtherDepths: READ_ROUND },
  underEdge: { ...USUAL, lowerEdgeMm: [-65, -20], furtherDepths: 0.7 },
  waists: { ...USUAL, bodies: 'waist' },
  tabs: { ...USUAL, hole: 'tabs' },
  brackets: { ...USUAL, hasBrackets: true },
  doubtfulBeam: { ...USUAL, beamPlaceHalfWidthMm: 20, beamShare: 1 },
  commonStick: { ...USUAL, isStickCommon: true, furtherDepths: READ_ROUND, lowerEdgeMm: [-140, -100] },
  makersBias: { ...USUAL, isMakerBiased: true },
};
