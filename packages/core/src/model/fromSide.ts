/**
 * A record for the other side of the vehicle, mirrored at its middle plane: left and right change places, what lies towards
 * the front stays in front. What is no matter of geometry stays as it is: where the wheel is, the plug, the fixing; and an
 * obstacle that stands on one side only does not come along.
 */
import type { Housing } from '../housing';
import { type CornerMm, reversedCorners } from './corners';
import type { OpeningRecord } from './opening';
import { POLARITY_NOT_KNOWN } from './polarity';

const HALF_TURN_DEG = 180;

export function fromSide(record: OpeningRecord): OpeningRecord {
  if (record.side === 'centre') return record;
  return {
    ...record,
    side: record.side === 'left' ? 'right' : 'left',
    holeDeg: negative(record.holeDeg),
    bolts: mirroredBolts(record.bolts),
    trace: record.trace && {
      ...record.trace,
      corners: mirroredCorners(record.trace.corners),
    },
    depthReadings: record.depthReadings.map((each) => ({ ...each, xMm: negative(each.xMm) })),
    obstacles: record.obstacles
      .filter(({ thisSideOnly }) => !thisSideOnly)
      .map((each) => ({
        ...each,
        xMm: negative(each.xMm),
        angleDeg: negative(each.angleDeg),
        tiltDeg: negative(each.tiltDeg),
      })),
    proud: record.proud.map((each) => ({ ...each, xMm: negative(each.xMm) })),
    // Colours and pins are of one plug, and the other side has another.
    polarity: POLARITY_NOT_KNOWN,
    plugFaces: [],
    lineFilter: null,
    // What was tried there was not tried here.
    tweeterSeat: record.tweeterSeat && { ...record.tweeterSeat, clothGapMm: null },
    housing: record.housing && mirroredHousing(record.housing),
    plugDeg: record.plugDeg === null ? null : mirroredDeg(record.plugDeg),
  };
}

/** Its shape, and where what must stay free usually is; the belt, the crank and the pocket of this side are looked for on this side. */
function mirroredHousing(housing: Housing): Housing {
  const { base, xMm, aimDeg } = housing;
  return {
    ...housing,
    xMm: negative(xMm),
    aimDeg: mirroredDeg(aimDeg),
    base: base.kind === 'contour' ? { ...base, corners: mirroredCorners(base.corners) } : base,
    free: {},
  };
}

function mirroredBolts(bolts: OpeningRecord['bolts']): OpeningRecord['bolts'] {
  switch (bolts.kind) {
    case 'circle':
      return { ...bolts, firstAngleDeg: mirroredDeg(bolts.firstAngleDeg) };
    case 'rectangle':
      return bolts;
    case 'free':
      return { ...bolts, holes: bolts.holes.map(({ xMm, yMm }) => ({ xMm: negative(xMm), yMm })) };
  }
}

/** Mirrored and in the other direction, so that "to the right of the way" stays outwards. */
function mirroredCorners<Corner extends CornerMm>(corners: readonly Corner[]): Corner[] {
  return reversedCorners(corners.map((corner) => ({ ...corner, xMm: negative(corner.xMm) })));
}

/** A direction in the face, mirrored at the upright: 0 to 360. */
function mirroredDeg(deg: number): number {
  return (((HALF_TURN_DEG - deg) % 360) + 360) % 360;
}

/** Without a negative zero, which would make a record differ from itself. */
function negative(value: number): number {
  return value === 0 ? 0 : -value;
}
