/** A housing as one solid for a printer that prints in layers: binary STL, mm, its base on z = 0, hollow, its hole and its pilots through its face. */
import type { Vec3 } from '../geometry';
import { AROUND, faceFrame, fromFace, type Housing, shellOf } from '../housing';
import { edgeLine, type Template } from '../template';
import { type Flat, flatFacets, toStl, turnedIn, wallFacets } from './mesh';

const CHORD_MM = 0.01;

/**
 * @param face its face as a template: the hole and the speaker's pilots of it
 * @throws RangeError where there is no such housing, with why
 */
export function housingStl(housing: Housing, face: Pick<Template, 'throat' | 'holes'>): Uint8Array<ArrayBuffer> {
  const shell = shellOf(housing);
  if (!shell.ok) throw new RangeError(`It cannot be built so: ${shell.failure}`);
  const { base, inside } = shell.value;
  const frame = faceFrame(housing);
  // In the file z runs from the panel to the cabin.
  const seen = ([x, y, z]: Vec3): Vec3 => [x - housing.xMm, y - housing.yMm, -z];
  const onFace =
    (depthMm: number) =>
    ([x, y]: Flat[0]): Vec3 =>
      seen(fromFace(frame, [x, y, depthMm]));
  const onPanel = ([x, y]: Flat[0]): Vec3 => [x - housing.xMm, y - housing.yMm, 0];
  const line = (edge: Template['throat']): Flat => edgeLine(edge, CHORD_MM).map(({ xMm, yMm }) => [xMm, yMm] as const);
  const through = [
    line(face.throat),
    ...face.holes.map(({ xMm, yMm, diameterMm }) =>
      line({ xMm, yMm, angleRad: 0, halfLengthMm: diameterMm / 2, halfWidthMm: diameterMm / 2 }),
    ),
  ];
  const ring = (radiusMm: number): Flat =>
    Array.from({ length: AROUND }, (_, at) => {
      const turn = (2 * Math.PI * at) / AROUND;
      return [radiusMm * Math.cos(turn), radiusMm * Math.sin(turn)];
    });
  const [outer, inner] = [ring(housing.faceMm / 2), ring(housing.faceMm / 2 - housing.wallMm)];
  const [front, behind] = [onFace(0), onFace(housing.boardMm)];
  return toStl([
    ...flatFacets([base, inside], onPanel, false),
    ...wallFacets(base.map(onPanel), outer.map(front)),
    ...flatFacets([outer, ...through], front, true),
    ...through.flatMap((each) => turnedIn(wallFacets(each.map(behind), each.map(front)))),
    ...flatFacets([inner, ...through], behind, false),
    ...turnedIn(wallFacets(inside.map(onPanel), inner.map(behind))),
  ]);
}
