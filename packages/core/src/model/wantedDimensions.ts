/** Which dimensions an opening's kind of hole, bolts and surroundings call for. */
import type { Fixing, OpeningDimensionKey } from '../fit';
import type { OpeningRecord } from './opening';

const HOLE_DIMENSIONS = {
  circle: ['holeDiameter'],
  oval: ['holeLength', 'holeWidth'],
  roundedRectangle: ['holeLength', 'holeWidth'],
  polygon: [],
} as const;
const BOLT_DIMENSIONS = { circle: ['boltCircle'], rectangle: ['boltWidth', 'boltHeight'], free: [] } as const;
/** What was pressed or glued in has no screw holes: a new one is not forced into a pattern. */
export const HOLELESS: ReadonlySet<Fixing> = new Set(['pressFit', 'glue']);

export function boltDimensions({
  bolts,
  fixing,
}: Pick<OpeningRecord, 'bolts' | 'fixing'>): readonly OpeningDimensionKey[] {
  return HOLELESS.has(fixing) ? [] : BOLT_DIMENSIONS[bolts.kind];
}

/** Dimensions that make what stands behind surer, but without which it can be judged. */
export function helpfulDimensions({
  behind,
  housing,
}: Pick<OpeningRecord, 'behind' | 'housing'>): readonly OpeningDimensionKey[] {
  if (behind === 'nothing' || housing?.back === 'closed') return [];
  const depths = ['depthTop', 'depthBottom', 'depthFront', 'depthRear'] as const;
  return behind === 'glass' ? [...depths, 'lowerEdge'] : depths;
}

/** The dimensions that this opening's kind of hole, bolts and surroundings call for, in the order of measuring. */
export function wantedDimensions({
  holeKind,
  bolts,
  fixing,
  behind,
  presence,
  housing,
}: Pick<
  OpeningRecord,
  'holeKind' | 'bolts' | 'fixing' | 'behind' | 'presence' | 'housing'
>): readonly OpeningDimensionKey[] {
  // What is made is known as it is made; of what lies behind it, and under it, that counts which it is open to.
  if (housing?.back === 'closed') return [];
  if (housing)
    return [
      ...(presence === 'blank' ? [] : [...HOLE_DIMENSIONS[holeKind], ...boltDimensions({ bolts, fixing })]),
      ...(behind === 'nothing' ? [] : (['depthBehind'] as const)),
    ];
  return [
    ...HOLE_DIMENSIONS[holeKind],
    ...boltDimensions({ bolts, fixing }),
    ...(behind === 'nothing' ? [] : (['depthBehind'] as const)),
    'frontGap',
  ];
}

/** The wanted dimensions that have no reading yet. */
export function missingDimensions(record: OpeningRecord): readonly OpeningDimensionKey[] {
  return wantedDimensions(record).filter((key) => !record.dimensions[key]);
}
