/**
 * Where the screws go: holes on a circle, or at the corners of a rectangle (oval sizes), each plain or slotted.
 */
import type { Dimension } from '../uncertainty/Dimension';

export type PatternShape<Length = Dimension> =
  | {
      readonly kind: 'circle';
      readonly count: number;
      readonly diameter: Length;
      /** Direction of the first hole from +x (to the right as seen from the cabin), anticlockwise, rad. */
      readonly firstAngleRad: number;
    }
  | { readonly kind: 'rectangle'; readonly width: Length; readonly height: Length };

export type BoltPattern = {
  readonly shape: PatternShape;
  /** Diameter of a part's holes or of the vehicle's screws, mm. */
  readonly holeDiameterMm: number;
  /** How much longer than wide each hole is; 0 for a plain hole. A slot runs towards or around the centre. */
  readonly slotMm: number;
  readonly slotRuns: 'radial' | 'tangential';
};

export type HoleMm = {
  readonly xMm: number;
  readonly yMm: number;
  /** Half the slot's extra length as a vector from its middle to one end; zero for a plain hole. */
  readonly slotXMm: number;
  readonly slotYMm: number;
};

/** The lengths that place the holes: the circle's diameter, or the rectangle's width and height. */
export function patternDimensions(
  shape: PatternShape,
): readonly { readonly key: string; readonly dimension: Dimension }[] {
  return shape.kind === 'circle'
    ? [{ key: 'boltCircle', dimension: shape.diameter }]
    : [
        { key: 'boltWidth', dimension: shape.width },
        { key: 'boltHeight', dimension: shape.height },
      ];
}

/**
 * The holes of a pattern, unturned.
 *
 * @param lengthsMm values for the lengths in the order of {@link patternDimensions}; the pattern's own when left out
 */
export function patternHoles(
  pattern: BoltPattern,
  lengthsMm: readonly number[] = patternDimensions(pattern.shape).map(({ dimension }) => dimension.valueMm),
): readonly HoleMm[] {
  const [first = 0, second = 0] = lengthsMm;
  const { shape } = pattern;
  if (shape.kind === 'rectangle') {
    return [
      [1, 1],
      [-1, 1],
      [-1, -1],
      [1, -1],
    ].map(([x = 0, y = 0]) => withSlot(pattern, (x * first) / 2, (y * second) / 2));
  }
  return Array.from({ length: shape.count }, (_, index) => {
    const angle = shape.firstAngleRad + (2 * Math.PI * index) / shape.count;
    return withSlot(pattern, (first / 2) * Math.cos(angle), (first / 2) * Math.sin(angle));
  });
}

function withSlot({ slotMm, slotRuns }: BoltPattern, xMm: number, yMm: number): HoleMm {
  const radius = Math.hypot(xMm, yMm);
  if (slotMm === 0 || radius === 0) return { xMm, yMm, slotXMm: 0, slotYMm: 0 };
  const half = slotMm / 2 / radius;
  return slotRuns === 'radial'
    ? { xMm, yMm, slotXMm: half * xMm, slotYMm: half * yMm }
    : { xMm, yMm, slotXMm: -half * yMm, slotYMm: half * xMm };
}
