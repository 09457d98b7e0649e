/**
 * An opening with a housing on it: the speaker is mounted on the housing's face, so that the face is the mounting plane, and everything that was read
 * from the panel is turned into its frame. What comes out is an opening like any other, and is judged like any other.
 */
import {
  add,
  boxSolid,
  cross,
  dot,
  type OutlineMm,
  outlineMm,
  outlineRadiusMm,
  polygonPoints,
  scale,
  type Vec3,
} from '../../geometry';
import {
  boreOf,
  type FaceFrame,
  FREE_KINDS,
  faceFrame,
  type Housing,
  type Shell,
  STAYS_FREE,
  shellOf,
  toFace,
  turnedToFace,
} from '../../housing';
import { exactly, rectangular } from '../../uncertainty';
import { obstacleBox, obstacleRod } from '../layout/obstacleSolids';
import type { FitObstacle, FitOpening, SheetDefaults } from '../shapes';

/** What is cut or laid by hand comes out within this, mm (common practice, no source). */
const MADE_HALF_MM = 1;
const CUT_HALF_MM = 0.5;

/** @param opening as it is without it */
export function housed(opening: FitOpening, housing: Housing): FitOpening {
  const frame = faceFrame(housing);
  const shell = shellOf(housing);
  const isOpen = housing.back === 'open';
  const made = (mm: number) => rectangular(mm, MADE_HALF_MM, 'classDefault');
  return {
    ...opening,
    isThere: opening.isThere === 'no' ? 'no' : 'yes',
    assumed: isOpen ? opening.assumed.filter((each) => each === 'behind') : [],
    hole: { kind: 'circle', diameter: rectangular(housing.holeMm, CUT_HALF_MM, 'classDefault') },
    holeRad: 0,
    wallMm: housing.boardMm,
    material: 'board',
    recess: null,
    bore: shell.ok ? toBore(frame, shell.value, opening, housing, made) : null,
    bolts: null,
    boltsMissing: [],
    fixing: 'screws',
    ...(isOpen ? behindPanel(opening, frame) : atPanel(frame, made)),
    proud: [],
    proudLooked: true,
    frontGap: housing.grilleMm === null ? null : made(housing.grilleMm),
    clothIsCut: false,
    front: inFront(housing, frame, made),
    made: {
      housing,
      isOnClosed: opening.isThere === 'blank',
      face: made(housing.faceMm),
      under: { hole: opening.hole, holeRad: opening.holeRad, bolts: opening.bolts, isThere: opening.isThere },
    },
  };
}

type Made = (mm: number) => ReturnType<typeof rectangular>;
type Behind = Pick<FitOpening, 'behind' | 'depths' | 'sheet' | 'lowerEdge' | 'obstacles' | 'obstaclesLooked'>;

/** Closed at the panel, which is then what lies behind: a plane that is known as it is made. */
function atPanel(frame: FaceFrame, made: Made): Behind {
  const [x, y, z] = turnedToFace(frame, [0, 0, 1]);
  // A point of the panel, as the face sees it: the plane through it meets the axis at…
  const [px, py, pz] = toFace(frame, [frame.middle[0], frame.middle[1], 0]);
  const depthMm = pz + (x * px + y * py) / z;
  return {
    behind: 'metal',
    depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: made(depthMm) }],
    sheet: { sideLean: exactly(-x / z), lean: exactly(-y / z), curvature: exactly(0) },
    lowerEdge: null,
    obstacles: [],
    obstaclesLooked: true,
  };
}

/** Open to what is behind the panel: each reading is a place in space, and so is what stands there. */
function behindPanel(opening: FitOpening, frame: FaceFrame): Behind {
  const { depths, lowerEdge, behind, obstaclesLooked } = opening;
  const centre = depths.find(({ key }) => key === 'depthBehind') ?? depths[0];
  return {
    behind,
    depths: depths.map(({ key, xMm, yMm, depth }) => {
      const [x, y, z] = toFace(frame, [xMm, yMm, depth.valueMm]);
      return { key, xMm: x, yMm: y, depth: { ...depth, valueMm: z } };
    }),
    sheet: turnedSheet(opening.sheet, frame),
    lowerEdge: lowerEdge && {
      ...lowerEdge,
      valueMm: toFace(frame, [frame.middle[0], lowerEdge.valueMm, centre?.depth.valueMm ?? 0])[1],
    },
    obstacles: opening.obstacles.map((obstacle) => turnedObstacle(obstacle, frame)),
    obstaclesLooked,
  };
}

/** A sheet that leans by these is, for the face, one that leans by others; how sure that is stays. */
function turnedSheet(sheet: SheetDefaults, frame: FaceFrame): SheetDefaults {
  const [x, y, z] = turnedToFace(frame, [-sheet.sideLean.valueMm, -sheet.lean.valueMm, 1]);
  return {
    sideLean: { ...sheet.sideLean, valueMm: -x / z },
    lean: { ...sheet.lean, valueMm: -y / z },
    curvature: sheet.curvature,
  };
}

/** Less than this of a direction lies in the face: it points at it, mm a mm. */
const LEVEL = 0.05;

/** A rod exactly; a box as the one about it that lies as the record can say. */
function turnedObstacle(obstacle: FitObstacle, frame: FaceFrame): FitObstacle {
  const still = { ...obstacle, placeX: exactly(0), placeY: exactly(0) };
  const lying = (along: Vec3) => {
    const level = Math.max(LEVEL, Math.hypot(along[0], along[1]));
    return { angleRad: Math.atan2(along[1], along[0]), tiltRad: Math.atan2(along[2], level) };
  };
  if (obstacle.shape.kind === 'rod') {
    const { at, direction, radiusMm } = obstacleRod(still);
    const turn = lying(turnedToFace(frame, direction));
    const [x, y, z] = toFace(frame, at);
    const depthMm = z - radiusMm / Math.cos(turn.tiltRad);
    return { ...obstacle, ...turn, xMm: x, yMm: y, depth: { ...obstacle.depth, valueMm: depthMm } };
  }
  const { middle, axes, halfSizeMm } = obstacleBox(still);
  const [along, across] = [turnedToFace(frame, axes[0]), turnedToFace(frame, axes[1])];
  const turn = lying(along);
  const level: Vec3 = [-Math.sin(turn.angleRad), Math.cos(turn.angleRad), 0];
  const roll = Math.acos(Math.min(1, Math.abs(dot(across, level))));
  const [cos, sin] = [Math.cos(roll), Math.sin(roll)];
  const [, halfWidth, halfThick] = halfSizeMm;
  const [widthMm, thicknessMm] = [2 * (halfWidth * cos + halfThick * sin), 2 * (halfThick * cos + halfWidth * sin)];
  const [x, y, z] = add(toFace(frame, middle), scale(cross(along, level), -thicknessMm / 2));
  return {
    ...obstacle,
    ...turn,
    shape: { kind: 'box', lengthMm: 2 * halfSizeMm[0], widthMm, thicknessMm },
    ...{ xMm: x, yMm: y, depth: { ...obstacle.depth, valueMm: z } },
  };
}

/** What the body has to pass on its way in: the wall from inside, and the panel's own hole where the housing is open to it. */
function toBore(
  frame: FaceFrame,
  { inside, behind }: Shell,
  opening: FitOpening,
  { back }: Housing,
  made: Made,
): FitOpening['bore'] {
  const low = inside.map(([x, y]): Vec3 => [x, y, 0]);
  const hole = back === 'open' && opening.isThere === 'yes' ? outlineMm(opening.hole) : null;
  const rim = hole ? rimOf(hole, opening.holeRad) : null;
  const edges = [low, behind, ...(rim ? [rim.map(([x, y]): Vec3 => [x, y, opening.wallMm])] : [])];
  const { insideMm, depthMm } = boreOf(frame, edges);
  return { inside: made(insideMm), depth: made(depthMm) };
}

const RIM_STEPS = 180;

function rimOf(hole: OutlineMm, holeRad: number): readonly (readonly [number, number])[] {
  if (hole.kind === 'polygon') return polygonPoints(hole);
  return Array.from({ length: RIM_STEPS }, (_, at) => {
    const turn = (2 * Math.PI * at) / RIM_STEPS;
    const radiusMm = outlineRadiusMm(hole, turn - holeRad);
    return [radiusMm * Math.cos(turn), radiusMm * Math.sin(turn)] as const;
  });
}

/** What begins in front of the face, and over it: as near as its nearest corner along the axis. */
function inFront(housing: Housing, frame: FaceFrame, made: Made): FitOpening['front'] {
  return FREE_KINDS.flatMap((kind) => {
    const there = housing.free[kind];
    if (there?.kind !== 'there') return [];
    const { xMm, yMm, widthMm, heightMm, fromMm } = there;
    const solid = boxSolid({
      middle: [xMm, yMm, -fromMm],
      axes: [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ],
      halfSizeMm: [widthMm / 2, heightMm / 2, 0],
    });
    const [dx, dy] = [Math.abs(xMm - housing.xMm) - widthMm / 2, Math.abs(yMm - housing.yMm) - heightMm / 2];
    if (Math.hypot(Math.max(0, dx), Math.max(0, dy)) > housing.faceMm / 2) return [];
    const gapMm = -toFace(frame, solid.farthest(frame.inwards))[2];
    if (gapMm <= 0) return [];
    return [
      { id: `free-${kind}`, label: STAYS_FREE[kind].label, kind: 'card' as const, gap: made(gapMm), inside: null },
    ];
  });
}
