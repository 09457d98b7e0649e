/** What a depth or a gap may be read from besides the metal itself, and how a reading is counted from the metal all the same. */
import type { OpeningDimensionKey } from '../fit';
import { type Dimension, plusShared } from '../uncertainty';
import { type FrontFace, type Measurement, meanMm } from './measurement';

/** How far each stands in front of the metal; null where nothing was read from it. */
export type Faces = Readonly<Record<FrontFace, Pick<Measurement, 'readingsMm' | 'source'> | null>>;
export const FACE_NAMES: Readonly<Record<FrontFace, string>> = { keptRing: 'ring that stays', oldMount: 'old mount' };
/** How far a face may stand in front of the metal, mm. */
export const MOST_FACE_MM = 80;

/** Depths and the front gap are counted from the metal; the other dimensions lie in it. */
export function isReadFromFace(key: OpeningDimensionKey): boolean {
  return key.startsWith('depth') || key === 'frontGap';
}

/** What stands in front of the metal that a reading was taken from; null for the metal itself. */
export function faceOf(measurement: Pick<Measurement, 'from'> | undefined): FrontFace | null {
  const from = measurement?.from ?? 'metal';
  return from === 'metal' ? null : from;
}

/** What stands in front of the metal is taken off what is read inwards, and added to what is read towards the cabin. */
export const INWARDS = -1;
export const OUTWARDS = 1;

/**
 * A reading as counted from the metal, whatever it was read from.
 *
 * @param toLength a reading as it was read, as a dimension
 */
export function countedFromMetal(
  measurement: Pick<Measurement, 'readingsMm' | 'source' | 'from'>,
  faces: Faces,
  way: typeof INWARDS | typeof OUTWARDS,
  toLength: (measurement: Pick<Measurement, 'readingsMm' | 'source'>) => Dimension,
): Dimension {
  const read = toLength(measurement);
  const face = faceOf(measurement);
  if (!face) return read;
  return plusShared(read, toLength(faces[face] ?? NOT_READ), way, `face.${face}`);
}

/** A measurement as if it had been read from the metal: for where the face that it was read from is not. */
export function rereadFromMetal(
  measurement: Measurement,
  faces: Faces,
  way: typeof INWARDS | typeof OUTWARDS,
): Measurement {
  const { from: _, ...rest } = measurement;
  const face = faceOf(measurement);
  const standing = face && faces[face];
  if (!standing) return measurement;
  const offMm = meanMm(standing);
  const readingsMm = rest.readingsMm.map((each) => Math.round((each + way * offMm) * 100) / 100);
  return { ...rest, readingsMm, entered: readingsMm.map((each) => `${each} mm`).join('; ') };
}

/** Nobody has said how far it stands: all that is known is that it does. */
const NOT_READ = { readingsMm: [0], source: 'guess' } as const satisfies Pick<Measurement, 'readingsMm' | 'source'>;
