/** An opening that somebody noted and nobody has looked at: where it is, and what is usual for the rest. */
import { ASSUMABLE } from '../fit';
import { firstScrewDeg } from './bolts';
import type { OpeningRecord } from './opening';
import { openingRecordSchema } from './opening';
import { isInDoor } from './place';

type Noted = Pick<OpeningRecord, 'place' | 'side' | 'name' | 'presence' | 'nominalSize'>;

const USUAL_SCREWS = 4;
const SCREW_MM = 4.2;

export function newOpening(noted: Noted): OpeningRecord {
  return openingRecordSchema.parse({
    ...noted,
    assumed: [...ASSUMABLE],
    holeKind: 'circle',
    bolts: {
      kind: 'circle',
      count: USUAL_SCREWS,
      firstAngleDeg: firstScrewDeg(USUAL_SCREWS),
      screwDiameterMm: SCREW_MM,
    },
    fixing: 'screws',
    behind: isInDoor(noted.place) ? 'glass' : 'metal',
    wiring: { kind: 'unknown' },
    secondPlug: 'notLooked',
    dimensions: {},
    note: '',
  });
}
