/**
 * Bodies in space, in millimetres, with no idea of what they are for. An **outline** is flat (circle, oval, rounded rectangle, traced
 * path); a **pattern** is where screws go; a **placed body** is a solid of revolution or of outlines stacked up, turned and set somewhere;
 * a **gap** is the shortest distance between two things and the two points where it is. The **glass** is a sheet bent one way.
 */
export {
  type BoltPattern,
  enoughScrews,
  type HoleMm,
  mapPattern,
  patternDimensions,
  patternHoles,
} from './BoltPattern';
export { type BoxRoom, type BoxSides, boxRoom } from './boxRoom';
export { type BoxSolid, boxSolid, type ConvexSolid, pieceSolid, uprightSolid } from './ConvexSolid';
export { convexDistance } from './convexDistance';
export { crossing } from './crossing';
export { closestPoints, type Gap, newGap } from './Gap';
export { type GlassSheet, sheetDepthMm, sheetGap } from './glassSheet';
export { type Landing, landingStretches, type Stretch, symmetryOf, type Turn, turnAt } from './landingTurns';
export {
  extents,
  halfExtentsMm,
  mapOutline,
  mapPartOutline,
  type Outline,
  type OutlineMm,
  outlineLengths,
  outlineMm,
  type PartOutline,
  type PolygonCorner,
  polygonPoints,
  type Span,
  spanOf,
} from './Outline';
export { outlineRadiusMm } from './outlineRadius';
export { type EllipseMm, ellipseDistance, type OutlineRoom, outlineRoom } from './outlineRoom';
export {
  CENTRED,
  convexPieces,
  newReach,
  PlacedBody,
  type Pose,
  type Reach,
  RING_STRIDE,
  type RingsMm,
} from './PlacedBody';
export { type RectangleMm, rectangleRoom } from './rectangleRoom';
export { type Rod, rod, rodGap } from './rodGap';
export { add, cross, dot, length, scale, subtract, unit, type Vec3 } from './vector';
