/** Shapes for tests: a plain 6.5-inch speaker in a plain door, each with the figures of the handbook's kind. */

import type {
  Candidate,
  DepthReading,
  FitBracket,
  FitObstacle,
  FitOpening,
  FitRules,
  FitSpacer,
  FitSpeaker,
  SheetDefaults,
} from '../fit/shapes';
import type { BoltPattern } from '../geometry/BoltPattern';
import { type Dimension, exactly, rectangular } from '../uncertainty/Dimension';
import type { HarnessAdapter } from '../wiring';

export const RULES: FitRules = {
  clearancesMm: {
    glass: 5,
    metal: 4,
    wiring: 2,
    front: 3,
    cloth: 0,
    hole: 1,
    terminal: 4,
    cover: 2,
    wall: 1.5,
    bite: 6,
    finished: 3,
  },
  confidence: 0.975,
  stock: [],
  mostRaisedMm: 45,
};

/** Known without doubt, so that margins can be worked out by hand. */
export const exact = (valueMm: number): Dimension => exactly(valueMm, 'catalogue');

export const within = (valueMm: number, halfWidthMm: number): Dimension =>
  rectangular(valueMm, halfWidthMm, 'takenHere');

export function circlePattern(count: number, diameter: Dimension, holeDiameterMm: number): BoltPattern {
  return {
    shape: { kind: 'circle', count, diameter, firstAngleRad: Math.PI / 4 },
    holeDiameterMm,
    slotMm: 0,
    slotRuns: 'radial',
  };
}

/** Three holes of which no turn but one lands, so that what points somewhere points there. */
export function unevenPattern(radiusMm: number, holeDiameterMm: number): BoltPattern {
  const holes = [10, 100, 235].map((degrees) => ({
    xMm: radiusMm * Math.cos((degrees * Math.PI) / 180),
    yMm: radiusMm * Math.sin((degrees * Math.PI) / 180),
    kind: 'plain' as const,
    slotMm: 0,
    slotRad: 0,
  }));
  return { shape: { kind: 'free', holes, position: exact(0) }, holeDiameterMm, slotMm: 0, slotRuns: 'tangential' };
}

/** What stands behind is flat and parallel to the wall, and that is known. */
export const FLAT: SheetDefaults = { sideLean: exact(0), lean: exact(0), curvature: exact(0) };

/** One reading at the centre. */
export function depthAt(depth: Dimension): readonly DepthReading[] {
  return [{ key: 'depthBehind', xMm: 0, yMm: 0, depth }];
}

/** A beam along +x, unless said otherwise. */
export function rodAt(
  changes: Partial<FitObstacle> & Pick<FitObstacle, 'xMm' | 'yMm' | 'depth'> & { readonly diameterMm: number },
): FitObstacle {
  const { diameterMm, ...rest } = changes;
  return {
    id: 'beam',
    label: 'beam',
    kind: 'beam',
    placeX: exact(0),
    placeY: exact(0),
    angleRad: 0,
    tiltRad: 0,
    givesMm: 0,
    shape: { kind: 'rod', diameterMm },
    ...rest,
  };
}

export function speaker(changes: Partial<FitSpeaker> = {}): FitSpeaker {
  return {
    id: 'speaker',
    name: 'Speaker',
    nominalSize: '6.5 in',
    basket: { kind: 'circle', diameter: exact(142) },
    flange: { kind: 'circle', diameter: exact(165) },
    flangeThickness: exact(4),
    mountingDepth: exact(60),
    depthDatum: 'underside',
    depthDoubt: exact(0),
    frontHeight: exact(8),
    surroundMm: null,
    magnetDiameter: exact(90),
    profile: [],
    profileDoubt: exact(0),
    widthDoubt: exact(0),
    boxes: [],
    boxDoubt: exact(0),
    bolts: circlePattern(4, exact(156), 5),
    screws: [],
    screwDoubt: exact(0),
    terminals: 'spades 2.8 + 4.8',
    doubted: [],
    pieceCostMinor: 5000,
    ...changes,
  };
}

export function opening(changes: Partial<FitOpening> = {}): FitOpening {
  return {
    label: 'Front door, left',
    isThere: 'yes',
    assumed: [],
    nominalSize: '6.5 in',
    hole: { kind: 'circle', diameter: exact(150) },
    holeRad: 0,
    wallMm: 1.5,
    material: 'sheetSteel',
    recess: null,
    bore: null,
    bolts: circlePattern(4, exact(156), 4),
    fixing: 'screws',
    boltsMissing: [],
    behind: 'glass',
    depths: depthAt(exact(70)),
    sheet: FLAT,
    lowerEdge: null,
    obstacles: [],
    obstaclesLooked: true,
    proud: [],
    proudLooked: true,
    plugRad: null,
    frontGap: exact(20),
    clothIsCut: false,
    front: [],
    wiring: { kind: 'connector', connectorId: 'plug', connectorName: 'two-way plug' },
    secondPlug: 'none',
    pinsBeyond: [],
    airbag: 'none',
    made: null,
    ...changes,
  };
}

export function bracket(changes: Partial<FitBracket> = {}): FitBracket {
  return {
    kind: 'bracket',
    id: 'bracket',
    name: 'Bracket',
    vehicleBolts: circlePattern(4, exact(156), 5),
    speakerBolts: circlePattern(4, exact(156), 4),
    throat: { kind: 'circle', diameter: exact(144) },
    plate: { kind: 'circle', diameter: exact(170) },
    height: exact(6),
    offsetXMm: 0,
    offsetYMm: 0,
    notchRad: null,
    earMm: null,
    bossMm: null,
    copies: [],
    thicknessDoubt: exact(0),
    screws: [],
    screwDoubt: exact(0),
    pieceCostMinor: 700,
    ...changes,
  };
}

export function spacer(heightMm: number, changes: Partial<FitSpacer> = {}): FitSpacer {
  return {
    kind: 'spacer',
    id: `spacer-${heightMm}`,
    name: `Ring ${heightMm}`,
    inner: { kind: 'circle', diameter: exact(144) },
    outer: { kind: 'circle', diameter: exact(180) },
    height: exact(heightMm),
    made: false,
    pieceCostMinor: 400,
    ...changes,
  };
}

export function adapter(changes: Partial<HarnessAdapter> = {}): HarnessAdapter {
  return {
    id: 'lead',
    name: 'Lead',
    fromConnectorId: 'plug',
    to: { kind: 'terminals', terminals: 'spades 2.8 + 4.8' },
    plugMm: 0,
    pieceCostMinor: 450,
    ...changes,
  };
}

/** A ring lies on the metal and the brackets on it, unless the layers are given. */
export function candidate({
  speaker: on = speaker(),
  brackets = [],
  spacer: ring = null,
  layers = ring ? [ring, ...brackets] : brackets,
}: {
  readonly speaker?: FitSpeaker;
  readonly brackets?: readonly FitBracket[];
  readonly spacer?: FitSpacer | null;
  readonly layers?: Candidate['layers'];
} = {}): Candidate {
  return { speaker: on, layers };
}
