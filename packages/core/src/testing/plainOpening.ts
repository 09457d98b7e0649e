/** A door of the plainest kind, for tests of what is done with records. */
import type { Measurement } from '../model/measurement';
import { type OpeningRecord, openingRecordSchema } from '../model/opening';

export const PLAIN_OPENING: OpeningRecord = openingRecordSchema.parse({
  place: 'frontDoorLow',
  side: 'left',
  nominalSize: '6.5 in',
  holeKind: 'circle',
  bolts: { kind: 'circle', count: 4, firstAngleDeg: 45, screwDiameterMm: 4 },
  fixing: 'screws',
  behind: 'glass',
  wiring: { kind: 'unknown' },
  secondPlug: 'none',
  plugFaces: [],
  dimensions: {},
  note: '',
});

/** Readings of a depth stick in one person's hand. */
export function measuredBy(takenBy: string, ...readingsMm: number[]): Measurement {
  return { readingsMm, source: 'depthStick', entered: readingsMm.join('; '), takenBy, takenAt: null };
}
