/**
 * Where the screws go: holes on a circle, at the corners of a rectangle (oval sizes), or anywhere; each plain, slotted or
 * a keyhole.
 *
 * A keyhole is entered at its wide end and held at its narrow one, so for where a screw may end up it is a slot from the
 * middle of the neck to its end.
 */
import type { Dimension } from '../uncertainty';

export type FreeHole = {
  readonly xMm: number;
  readonly yMm: number;
  readonly kind: 'plain' | 'slot' | 'keyhole';
  /** How much longer than wide a slot or a keyhole's neck is, mm; 0 for a plain hole. */
  readonly slotMm: number;
  /** Direction of the slot, from +x anticlockwise, rad. */
  readonly slotRad: number;
};

export type PatternShape<Length = Dimension> =
  | {
      readonly kind: 'circle';
      readonly count: number;
      readonly diameter: Length;
      /** Direction of the first hole from +x (to the right as seen from the cabin), anticlockwise, rad. */
      readonly firstAngleRad: number;
    }
  | {
      readonly kind: 'rectangle';
      readonly width: Length;
      readonly height: Length;
      /** Direction of its width from +x, anticlockwise, rad; level when left out. */
      readonly turnRad?: number;
    }
  | {
      readonly kind: 'free';
      readonly holes: readonly FreeHole[];
      /** How far a hole may lie off where it was traced; value 0. */
      readonly position: Length;
    };

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

/** The lengths that place the holes: the circle's diameter, the rectangle's width and height, or the trace's doubt. */
export function patternDimensions(
  shape: PatternShape,
): readonly { readonly key: string; readonly dimension: Dimension }[] {
  switch (shape.kind) {
    case 'circle':
      return [{ key: 'boltCircle', dimension: shape.diameter }];
    case 'rectangle':
      return [
        { key: 'boltWidth', dimension: shape.width },
        { key: 'boltHeight', dimension: shape.height },
      ];
    case 'free':
      return [{ key: 'boltPosition', dimension: shape.position }];
  }
}

/** The pattern with each of its lengths replaced. */
export function mapPattern(pattern: BoltPattern, of: (key: string, dimension: Dimension) => Dimension): BoltPattern {
  const { shape } = pattern;
  switch (shape.kind) {
    case 'circle':
      return { ...pattern, shape: { ...shape, diameter: of('boltCircle', shape.diameter) } };
    case 'rectangle':
      return {
        ...pattern,
        shape: { ...shape, width: of('boltWidth', shape.width), height: of('boltHeight', shape.height) },
      };
    case 'free':
      return { ...pattern, shape: { ...shape, position: of('boltPosition', shape.position) } };
  }
}

/**
 * The holes of a pattern, unturned.
 *
 * @param lengthsMm values for the lengths in the order of {@link patternDimensions}; the pattern's own when left out.
 *   A free pattern's doubt moves its holes outwards: the direction in which a part made to the trace would miss
 */
export function patternHoles(
  pattern: BoltPattern,
  lengthsMm: readonly number[] = patternDimensions(pattern.shape).map(({ dimension }) => dimension.valueMm),
): readonly HoleMm[] {
  const [first = 0, second = 0] = lengthsMm;
  const { shape } = pattern;
  if (shape.kind === 'rectangle') {
    const { turnRad = 0 } = shape;
    const [cos, sin] = [Math.cos(turnRad), Math.sin(turnRad)];
    return RECTANGLE_CORNERS.map(([along, across]) => {
      const [x, y] = [(along * first) / 2, (across * second) / 2];
      return withSlot(pattern, x * cos - y * sin, x * sin + y * cos);
    });
  }
  if (shape.kind === 'free') return shape.holes.map((hole) => freeHole(hole, first));
  const holes: HoleMm[] = [];
  for (let index = 0; index < shape.count; index++) {
    const angle = shape.firstAngleRad + (2 * Math.PI * index) / shape.count;
    holes.push(withSlot(pattern, (first / 2) * Math.cos(angle), (first / 2) * Math.sin(angle)));
  }
  return holes;
}

const RECTANGLE_CORNERS = [
  [1, 1],
  [-1, 1],
  [-1, -1],
  [1, -1],
] as const;

/**
 * How many of the vehicle's screws must hold: all of two or three, three quarters of more, rounded up (common practice,
 * no source; a speaker weighs little, but a rattle comes from the screw that is missing).
 */
export function enoughScrews(count: number): number {
  return count <= 3 ? count : Math.ceil(count * 0.75);
}

function freeHole({ xMm, yMm, slotMm, slotRad }: FreeHole, outwardsMm: number): HoleMm {
  const radius = Math.hypot(xMm, yMm);
  const by = radius > 0 ? 1 + outwardsMm / radius : 1;
  const half = slotMm / 2;
  return { xMm: xMm * by, yMm: yMm * by, slotXMm: half * Math.cos(slotRad), slotYMm: half * Math.sin(slotRad) };
}

function withSlot({ slotMm, slotRuns }: BoltPattern, xMm: number, yMm: number): HoleMm {
  const radius = Math.hypot(xMm, yMm);
  if (slotMm === 0 || radius === 0) return { xMm, yMm, slotXMm: 0, slotYMm: 0 };
  const half = slotMm / 2 / radius;
  return slotRuns === 'radial'
    ? { xMm, yMm, slotXMm: half * xMm, slotYMm: half * yMm }
    : { xMm, yMm, slotXMm: -half * yMm, slotYMm: half * xMm };
}
