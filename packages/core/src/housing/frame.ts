/** The frame of a housing's face in that of the panel: both x to the right, y up, z inwards, and the face turned the shortest way to where it aims. */
import { add, dot, scale, subtract, type Vec3 } from '../geometry';
import { degToRad } from '../units';
import type { Housing } from './Housing';

export type FaceFrame = {
  /** The middle of its face, on the panel's frame, mm. */
  readonly middle: Vec3;
  readonly right: Vec3;
  readonly up: Vec3;
  /** From the face to the panel, along the speaker's axis. */
  readonly inwards: Vec3;
};

export function faceFrame({
  xMm,
  yMm,
  heightMm,
  angleDeg,
  aimDeg,
}: Pick<Housing, 'xMm' | 'yMm' | 'heightMm' | 'angleDeg' | 'aimDeg'>): FaceFrame {
  const [lean, aim] = [degToRad(angleDeg), degToRad(aimDeg)];
  const [cos, sin, ca, sa] = [Math.cos(lean), Math.sin(lean), Math.cos(aim), Math.sin(aim)];
  // Along where it aims the face sinks; across it stays level.
  const along: Vec3 = [cos * ca, cos * sa, sin];
  const across: Vec3 = [-sa, ca, 0];
  const mixed = (a: number, b: number) => add(scale(along, a), scale(across, b));
  return {
    middle: [xMm, yMm, -heightMm],
    right: mixed(ca, -sa),
    up: mixed(sa, ca),
    inwards: [-sin * ca, -sin * sa, cos],
  };
}

/** A place of the panel's frame in the face's. */
export function toFace({ middle, right, up, inwards }: FaceFrame, place: Vec3): Vec3 {
  const from = subtract(place, middle);
  return [dot(from, right), dot(from, up), dot(from, inwards)];
}

/** A direction of the panel's frame in the face's. */
export function turnedToFace({ right, up, inwards }: FaceFrame, direction: Vec3): Vec3 {
  return [dot(direction, right), dot(direction, up), dot(direction, inwards)];
}

/** A place of the face's frame in the panel's. */
export function fromFace({ middle, right, up, inwards }: FaceFrame, [x, y, z]: Vec3): Vec3 {
  return add(middle, add(scale(right, x), add(scale(up, y), scale(inwards, z))));
}
