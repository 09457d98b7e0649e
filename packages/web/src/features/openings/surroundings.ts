/** What a person adds to an opening beside its dimensions: starting values, and figures noted by hand. */

import type { FacePlace, FrontLayerRecord, ObstacleRecord, OpeningRecord, ProudRecord } from '@low-quarry/core/model';
import {
  anticlockwise,
  type Face,
  FRONT_FACES,
  type Measurement,
  SOURCES,
  type SourceId,
} from '@low-quarry/core/model';
import { FRONT_WORDS, OBSTACLE_WORDS } from '../../text/words';

export type NotedLength = ObstacleRecord['depth'];
export type DepthRecord = OpeningRecord['depthReadings'][number];
export type Corner = NonNullable<OpeningRecord['trace']>['corners'][number];

/** A first figure, so that there is something to draw; a guess until somebody measures. */
export function guessed(valueMm: number): NotedLength {
  return { readingsMm: [valueMm], source: 'guess', entered: String(valueMm), takenBy: null, takenAt: null };
}

/**
 * The figure typed over another one. Over a guess it counts as taken here, as with any other dimension, and as read from what
 * is read from here.
 */
export function noted(before: NotedLength, valueMm: number, typed: string, usual: Face = 'metal'): NotedLength {
  const isTaken = SOURCES[before.source].origin === 'takenHere';
  return {
    ...readFrom(isTaken ? (before.from ?? 'metal') : usual),
    readingsMm: [valueMm],
    source: isTaken ? before.source : 'depthStick',
    entered: typed,
    takenBy: null,
    takenAt: null,
  };
}

export function withSource(before: NotedLength, source: SourceId): NotedLength {
  return { ...before, source };
}

export function withFace({ from: _, ...rest }: NotedLength, face: Face): NotedLength {
  return { ...rest, ...readFrom(face) };
}

/** As a measurement holds it: left out for the metal. */
export function readFrom(from: Face): Pick<Measurement, 'from'> {
  return from === 'metal' ? {} : { from };
}

/** What a hand reads from: what stands in front of the metal, where somebody noted that. */
export function usualFace(faces: OpeningRecord['faces']): Face {
  return FRONT_FACES.find((face) => faces[face] !== null) ?? 'metal';
}

/** A crash beam where most doors have theirs: level, below the middle. */
export function newObstacle(others: readonly ObstacleRecord[]): ObstacleRecord {
  return {
    id: obstacleId('beam', others),
    label: OBSTACLE_WORDS.beam,
    kind: 'beam',
    xMm: 0,
    yMm: -50,
    depth: guessed(55),
    placeHalfWidthMm: 5,
    angleDeg: 0,
    tiltDeg: 0,
    givesMm: 0,
    shape: { kind: 'rod', diameterMm: 32 },
    thisSideOnly: false,
  };
}

/** An id that reads as what it is, for it names the obstacle's lengths in every budget: crash-beam, crash-beam-2. */
export function obstacleId(kind: ObstacleRecord['kind'], others: readonly ObstacleRecord[]): string {
  return ownId(OBSTACLE_WORDS[kind], others);
}

/** Words as an id that no other has. */
export function ownId(words: string, others: readonly { readonly id: string }[]): string {
  const first = words.replaceAll(' ', '-');
  for (let number = 1; ; number++) {
    const id = number === 1 ? first : `${first}-${number}`;
    if (others.every((each) => each.id !== id)) return id;
  }
}

/** A weld stud at the edge of most holes, until somebody says better. */
export function newProud(others: readonly ProudRecord[]): ProudRecord {
  const id = ownId('stud', others);
  const label = id.replaceAll('-', ' ');
  return { id, label, xMm: 85, yMm: 0, placeHalfWidthMm: 2, diameterMm: 8, height: guessed(6) };
}

/** A door card with a cut-out, as far in front as most are. */
export function newFrontLayer(others: readonly FrontLayerRecord[]): FrontLayerRecord {
  const id = ownId(FRONT_WORDS.card, others);
  return { id, label: id.replaceAll('-', ' '), kind: 'card', gap: guessed(15), inside: guessed(150) };
}

export function newDepth(): DepthRecord {
  return { xMm: 0, yMm: 40, measurement: guessed(60) };
}

/** A shape of the other kind, about as large. */
export function toShape(
  kind: ObstacleRecord['shape']['kind'],
  before: ObstacleRecord['shape'],
): ObstacleRecord['shape'] {
  if (kind === before.kind) return before;
  if (kind === 'rod') return { kind, diameterMm: 30 };
  return { kind, lengthMm: 300, widthMm: 40, thicknessMm: 20 };
}

export function cornersOf(places: readonly FacePlace[]): Corner[] {
  return anticlockwise(places);
}

/** Why the places of a tracing will not do, in words; null when they will. */
export function placesError(
  places: readonly FacePlace[],
  { least, most, farthestMm }: { readonly least: number; readonly most: number; readonly farthestMm: number },
): string | null {
  if (places.length < least || places.length > most)
    return `${places.length} places were read; expected ${least} to ${most}.`;
  const far = places.findIndex(({ xMm, yMm }) => Math.max(Math.abs(xMm), Math.abs(yMm)) > farthestMm);
  return far < 0 ? null : `Place ${far + 1} lies more than ${farthestMm} mm from the centre; type a nearer one.`;
}
