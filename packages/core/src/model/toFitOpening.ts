/** An opening's record as the shape that the checks work on. */
import { type FitObstacle, type FitOpening, housed, type OpeningDimensionKey, type OpeningFacts } from '../fit';
import { halfExtentsMm, type Outline, type OutlineMm, outlineMm, outlineRadiusMm } from '../geometry';
import {
  type Dimension,
  fromReadings,
  type Instrument,
  instrumentName,
  pooledRepeatability,
  type Repeatability,
  rectangular,
} from '../uncertainty';
import { degToRad } from '../units';
import { hasEarlier } from './earlierWork';
import { countedFromMetal, INWARDS, OUTWARDS } from './faces';
import { isTakenHere, type Measurement } from './measurement';
import type { ObstacleRecord, OpeningRecord } from './opening';
import { mayHoldAirbag, placeLabel } from './place';
import { beyondSound } from './plugFace';
import { sheetDefaults } from './sheetDefaults';
import { SOURCES, type SourceId } from './source';
import { boltDimensions, HOLELESS } from './wantedDimensions';

type HalfWidths = Readonly<Record<SourceId, number>>;
/** How well each source's readings repeat, as far as an opening's own readings tell. */
type Repeats = Partial<Record<SourceId, Repeatability>>;

function instrumentOf(source: SourceId, halfWidthsMm: HalfWidths): Instrument {
  return { name: instrumentName(source), halfWidthMm: halfWidthsMm[source], origin: SOURCES[source].origin };
}

/** A stored measurement as a dimension, with the shop's half-width for its source. */
export function toDimension(
  { readingsMm, source }: Pick<Measurement, 'readingsMm' | 'source'>,
  halfWidthsMm: HalfWidths,
  repeats: Repeats = {},
): Dimension {
  return fromReadings(readingsMm, instrumentOf(source, halfWidthsMm), repeats[source]);
}

/** The repeatability of each source, pooled over every place of an opening that was read more than once. */
function repeatsOf(
  { dimensions, depthReadings, obstacles, proud, bore, faces, front }: OpeningRecord,
  halfWidthsMm: HalfWidths,
): Repeats {
  const all = [
    ...Object.values(dimensions),
    ...Object.values(faces).filter((face) => face !== null),
    ...depthReadings.map(({ measurement }) => measurement),
    ...obstacles.map(({ depth }) => depth),
    ...proud.map(({ height }) => height),
    ...(bore ? [bore.depth, bore.inside] : []),
    ...front.flatMap(({ gap, inside }) => (inside ? [gap, inside] : [gap])),
  ];
  const sources = [...new Set(all.map(({ source }) => source))];
  return Object.fromEntries(
    sources.map((source) => {
      const places = all.filter((each) => each.source === source).map(({ readingsMm }) => readingsMm);
      return [source, pooledRepeatability({ halfWidthMm: halfWidthsMm[source] }, places)];
    }),
  );
}

/**
 * The shape that the checks work on: of an opening with a housing, the housing's face.
 *
 * @param connectorName the trade name of a connector, for the sentences
 */
export function toFitOpening(
  record: OpeningRecord,
  halfWidthsMm: Readonly<Record<SourceId, number>>,
  connectorName: (connectorId: string) => string,
): FitOpening {
  const own = ownOpening(record, halfWidthsMm, connectorName);
  return record.housing ? housed(own, record.housing) : own;
}

function ownOpening(
  record: OpeningRecord,
  halfWidthsMm: HalfWidths,
  connectorName: (connectorId: string) => string,
): FitOpening {
  const repeats = repeatsOf(record, halfWidthsMm);
  const fromMetal = (measurement: Measurement, way: typeof INWARDS | typeof OUTWARDS) =>
    countedFromMetal(measurement, record.faces, way, (each) => toDimension(each, halfWidthsMm, repeats));
  const toLength = (measurement: Measurement) => fromMetal(measurement, INWARDS);
  const dimension = (key: OpeningDimensionKey): Dimension | null => {
    const measurement = record.dimensions[key];
    return measurement ? fromMetal(measurement, key === 'frontGap' ? OUTWARDS : INWARDS) : null;
  };
  const hole = toHole(record, dimension, halfWidthsMm);
  return {
    label: placeLabel(record),
    isThere: isOpeningThere(record),
    assumed: record.assumed,
    nominalSize: record.nominalSize,
    hole,
    holeRad: holeTurnRad(record),
    wallMm: record.wallMm,
    material: record.material,
    recess: record.recess && {
      depthMm: record.recess.depthMm,
      outline: {
        kind: 'circle',
        diameter: fromReadings([record.recess.diameterMm], instrumentOf(record.recess.source, halfWidthsMm)),
      },
    },
    bore: record.bore && {
      depth: toLength(record.bore.depth),
      inside: toDimension(record.bore.inside, halfWidthsMm, repeats),
    },
    bolts: HOLELESS.has(record.fixing) || boltsAssumed(record) ? null : toBolts(record, dimension, halfWidthsMm),
    fixing: record.fixing,
    boltsMissing: boltDimensions(record).filter((key) => boltsAssumed(record) || !record.dimensions[key]),
    behind: record.behind,
    depths: toDepths(record, dimension, hole, toLength),
    sheet: sheetDefaults(record.behind),
    lowerEdge: record.behind === 'glass' ? dimension('lowerEdge') : null,
    obstacles: record.obstacles.map((obstacle) => toObstacle(obstacle, toLength)),
    obstaclesLooked: record.obstaclesLooked || record.obstacles.some(({ depth }) => isTakenHere(depth)),
    proud: record.proud.map(({ id, label, xMm, yMm, placeHalfWidthMm, diameterMm, height }) => {
      const place = rectangular(0, placeHalfWidthMm, SOURCES[height.source].origin);
      const tall = toDimension(height, halfWidthsMm, repeats);
      return { id, label, xMm, yMm, placeX: place, placeY: place, diameterMm, height: tall };
    }),
    proudLooked: record.proudLooked || record.proud.some(({ height }) => isTakenHere(height)),
    frontGap: dimension('frontGap'),
    clothIsCut: false,
    front: record.front.map(({ id, label, kind, gap, inside }) => ({
      id,
      label,
      kind,
      gap: fromMetal(gap, OUTWARDS),
      inside: inside && toDimension(inside, halfWidthsMm, repeats),
    })),
    plugRad: record.plugDeg === null ? null : degToRad(record.plugDeg),
    wiring: toWiring(record, connectorName),
    secondPlug: record.secondPlug,
    pinsBeyond: beyondSound(record.plugFaces),
    airbag: airbagAt(record),
    made: null,
  };
}

/** What is behind the face that a speaker is mounted on: of what is closed at its back, that. */
export function behindFace({ behind, housing }: Pick<OpeningRecord, 'behind' | 'housing'>): FitOpening['behind'] {
  return housing?.back === 'closed' ? 'metal' : behind;
}

/** Whether a speaker goes in here: into an opening, or into what is built on a panel that has none. */
export function takesSpeaker({ presence, housing }: Pick<OpeningRecord, 'presence' | 'housing'>): boolean {
  return presence !== 'notThere' && (presence !== 'blank' || housing !== null);
}

/** A blank panel has no opening, and neither has a place that the vehicle lacks. */
export function isOpeningThere({ presence }: Pick<OpeningRecord, 'presence'>): FitOpening['isThere'] {
  if (presence === 'blank') return 'blank';
  return presence === 'notThere' ? 'no' : 'yes';
}

/**
 * No pattern is judged by that nobody has looked at, and none from before somebody made other holes: its lengths are of holes that may
 * not be there.
 */
function boltsAssumed(record: OpeningRecord): boolean {
  const { assumed, bolts, dimensions } = record;
  if (assumed.includes('bolts') || assumed.includes('fixing')) return true;
  if (!hasEarlier(record, 'fixings')) return false;
  if (bolts.kind === 'free') return SOURCES[bolts.source].origin !== 'takenHere';
  return boltDimensions(record).some((key) => !isTakenHere(dimensions[key]));
}

/** A plug that was cut off is none that a lead fits into. */
function toWiring(record: OpeningRecord, connectorName: (connectorId: string) => string): FitOpening['wiring'] {
  const { wiring } = record;
  if (wiring.kind !== 'connector') return wiring;
  if (isCut(record)) return { kind: 'cut' };
  return { ...wiring, connectorName: connectorName(wiring.connectorId) };
}

/** What is known of an opening besides its lengths, as far as it holds whatever is chosen for it. */
export function openingFacts(
  record: Pick<
    OpeningRecord,
    'place' | 'airbag' | 'secondPlug' | 'plugFaces' | 'wiring' | 'earlier' | 'presence' | 'housing'
  >,
): OpeningFacts {
  return {
    airbag: airbagAt(record),
    secondPlug: record.secondPlug,
    pinsBeyond: beyondSound(record.plugFaces),
    wiring: { kind: isCut(record) ? 'cut' : record.wiring.kind },
    made: record.housing && { isOnClosed: record.presence === 'blank' },
  };
}

/** Whether the plug that is noted was cut off before. */
function isCut(record: Pick<OpeningRecord, 'wiring' | 'earlier'>): boolean {
  return record.wiring.kind === 'connector' && hasEarlier(record, 'plugCut');
}

/** What is known of an airbag at the opening; covers of some places are not asked about. */
export function airbagAt({ place, airbag }: Pick<OpeningRecord, 'place' | 'airbag'>): FitOpening['airbag'] {
  return mayHoldAirbag(place) ? airbag : 'notAsked';
}

type Lookup = (key: OpeningDimensionKey) => Dimension | null;
function toHole(record: OpeningRecord, dimension: Lookup, halfWidthsMm: HalfWidths): Outline<Dimension | null> {
  switch (record.holeKind) {
    case 'circle':
      return { kind: 'circle', diameter: dimension('holeDiameter') };
    case 'oval':
      return { kind: 'oval', length: dimension('holeLength'), width: dimension('holeWidth') };
    case 'roundedRectangle':
      return {
        kind: 'roundedRectangle',
        length: dimension('holeLength'),
        width: dimension('holeWidth'),
        cornerRadiusMm: record.cornerRadiusMm,
      };
    case 'polygon':
      return {
        kind: 'polygon',
        corners: record.trace?.corners ?? [],
        edgeOffset: record.trace && doubtOf(record.trace.source, halfWidthsMm),
      };
  }
}

/** A trace's doubt: as far off as a reading with the same instrument, value 0. */
function doubtOf(source: SourceId, halfWidthsMm: HalfWidths): Dimension {
  return fromReadings([0], instrumentOf(source, halfWidthsMm));
}

/** A depth stick is as thick as this and cannot stand closer to the hole's edge, mm. */
const STICK_ROOM_MM = 5;
/** Half the size of a hole that nobody has measured, to place the readings at its rim, mm. */
const UNKNOWN_RIM_MM = 55;

/** Where the readings at the rim of the hole are taken; the front of the car is on the right of a left-hand opening. */
function rimPlaces(
  hole: Outline<Dimension | null>,
  holeRad: number,
  side: OpeningRecord['side'],
): Readonly<Record<RimKey, { readonly xMm: number; readonly yMm: number }>> {
  const mm = outlineMm(hole);
  const half =
    mm && (mm.kind !== 'polygon' || mm.corners.length > 0)
      ? rimMm(mm, holeRad)
      : { x: UNKNOWN_RIM_MM, y: UNKNOWN_RIM_MM };
  const x = Math.max(0, half.x - STICK_ROOM_MM);
  const y = Math.max(0, half.y - STICK_ROOM_MM);
  const forwards = side === 'right' ? -x : x;
  return {
    depthBehind: { xMm: 0, yMm: 0 },
    depthTop: { xMm: 0, yMm: y },
    depthBottom: { xMm: 0, yMm: -y },
    depthFront: { xMm: forwards, yMm: 0 },
    depthRear: { xMm: -forwards, yMm: 0 },
  };
}

/** From the centre straight to the edge, to the side and upwards; a trace's to its box. */
function rimMm(hole: OutlineMm, holeRad: number): { readonly x: number; readonly y: number } {
  if (hole.kind === 'polygon') return halfExtentsMm(hole);
  return { x: outlineRadiusMm(hole, -holeRad), y: outlineRadiusMm(hole, Math.PI / 2 - holeRad) };
}

/** The places where a depth stick can be held, for a question what to measure next. */
export function rimPlaceList({ side }: Pick<OpeningRecord, 'side'>, { hole, holeRad, behind }: FitOpening) {
  if (behind === 'nothing') return [];
  return Object.entries(rimPlaces(hole, holeRad, side)).map(([key, place]) => ({ key, ...place }));
}

const RIM_KEYS = ['depthBehind', 'depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;
type RimKey = (typeof RIM_KEYS)[number];

function toDepths(
  record: OpeningRecord,
  dimension: Lookup,
  hole: Outline<Dimension | null>,
  toLength: (measurement: Measurement) => Dimension,
): FitOpening['depths'] {
  const places = rimPlaces(hole, holeTurnRad(record), record.side);
  const atRim = RIM_KEYS.flatMap((key) => {
    const depth = dimension(key);
    return depth ? [{ key, ...places[key], depth }] : [];
  });
  const elsewhere = record.depthReadings.map(({ xMm, yMm, measurement }, index) => ({
    key: `depth${index + 1}`,
    xMm,
    yMm,
    depth: toLength(measurement),
  }));
  return [...atRim, ...elsewhere];
}

function toObstacle(record: ObstacleRecord, toLength: (measurement: Measurement) => Dimension): FitObstacle {
  const { id, label, kind, xMm, yMm, shape } = record;
  const place = rectangular(0, record.placeHalfWidthMm, SOURCES[record.depth.source].origin);
  return {
    id,
    label,
    kind,
    xMm,
    yMm,
    shape,
    depth: toLength(record.depth),
    placeX: place,
    placeY: place,
    angleRad: degToRad(record.angleDeg),
    tiltRad: degToRad(record.tiltDeg),
    givesMm: kind === 'soft' ? record.givesMm : 0,
  };
}

/** Round and traced holes lie as they are. */
function holeTurnRad({ holeKind, holeDeg }: Pick<OpeningRecord, 'holeKind' | 'holeDeg'>): number {
  return holeKind === 'oval' || holeKind === 'roundedRectangle' ? degToRad(holeDeg) : 0;
}

function toBolts(record: OpeningRecord, dimension: Lookup, halfWidthsMm: HalfWidths): FitOpening['bolts'] {
  const { bolts } = record;
  const common = { holeDiameterMm: bolts.screwDiameterMm, slotMm: 0, slotRuns: 'tangential' } as const;
  if (bolts.kind === 'circle') {
    const diameter = dimension('boltCircle');
    const firstAngleRad = degToRad(bolts.firstAngleDeg);
    return diameter && { ...common, shape: { kind: 'circle', count: bolts.count, diameter, firstAngleRad } };
  }
  if (bolts.kind === 'free') {
    const holes = bolts.holes.map((hole) => ({ ...hole, kind: 'plain' as const, slotMm: 0, slotRad: 0 }));
    return { ...common, shape: { kind: 'free', holes, position: doubtOf(bolts.source, halfWidthsMm) } };
  }
  const width = dimension('boltWidth');
  const height = dimension('boltHeight');
  return width && height && { ...common, shape: { kind: 'rectangle', width, height, turnRad: holeTurnRad(record) } };
}
