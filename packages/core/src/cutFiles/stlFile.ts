/**
 * A template as a solid for a printer that prints in layers: binary STL, mm, its face to the car on z = 0, as it is seen from the cabin, with its
 * counterbores and the groove for the wire in it.
 */
import type { Vec3 } from '../geometry';
import { cutBore, edgeLine, notchOf, type PlaceMm, type Template } from '../template';
import { type Facet, type Flat, flatFacets, toStl, turnedIn, wallFacets } from './mesh';

/** A chord leaves its arc by no more, mm. */
const CHORD_MM = 0.01;

export function stlFile(template: Template): Uint8Array<ArrayBuffer> {
  const { outside, throat, holes, thicknessMm } = template;
  const line = (places: readonly PlaceMm[]): Flat =>
    places.map(({ xMm, yMm }) => [xMm - outside.xMm, yMm - outside.yMm] as const);
  const circle = ({ xMm, yMm }: PlaceMm, diameterMm: number): Flat => {
    const half = diameterMm / 2;
    return line(edgeLine({ xMm, yMm, angleRad: 0, halfLengthMm: half, halfWidthMm: half }, CHORD_MM));
  };
  const drilled = holes.map((hole) => circle(hole, hole.diameterMm));
  const bores = holes.map(cutBore);
  const heads = holes.map((hole, at) => (bores[at] ? circle(hole, bores[at].diameterMm) : null));
  const around = grooved(template, line(edgeLine(outside, CHORD_MM)), line(edgeLine(throat, CHORD_MM)), line);
  const topMm = thicknessMm;
  const facets: Facet[] = [
    ...flatFacets([around.outside, around.throat, ...drilled.map((each, at) => heads[at] ?? each)], up(topMm), true),
    ...around.below(drilled),
    ...around.walls(topMm),
    ...drilled.flatMap((each, at) => holeFacets(each, heads[at] ?? null, topMm, bores[at]?.depthMm ?? 0)),
  ];
  return toStl(facets);
}

const up =
  (z: number) =>
  ([x, y]: Flat[0]): Vec3 => [x, y, z];
const lifted = (line: Flat, z: number): readonly Vec3[] => line.map(up(z));

/** The wall of a hole, and of its counterbore with the ring that the head stands on. */
function holeFacets(hole: Flat, head: Flat | null, topMm: number, depthMm: number): readonly Facet[] {
  if (!head) return turnedIn(wallFacets(lifted(hole, 0), lifted(hole, topMm)));
  const floorMm = topMm - depthMm;
  return [
    ...turnedIn(wallFacets(lifted(hole, 0), lifted(hole, floorMm))),
    ...flatFacets([head, hole], up(floorMm), true),
    ...turnedIn(wallFacets(lifted(head, floorMm), lifted(head, topMm))),
  ];
}

type Around = {
  readonly outside: Flat;
  readonly throat: Flat;
  /** What lies on the car, and the roof of the groove. */
  readonly below: (holes: readonly Flat[]) => readonly Facet[];
  readonly walls: (topMm: number) => readonly Facet[];
};

/**
 * The two edges of a piece, with a groove from one to the other where it has one: both lines get the groove's corners, so that every wall meets its
 * neighbour corner to corner.
 */
function grooved(template: Template, outside: Flat, throat: Flat, line: (places: readonly PlaceMm[]) => Flat): Around {
  const notch = notchOf(template);
  const wall = (each: Flat, low: number, high: number) => wallFacets(lifted(each, low), lifted(each, high));
  if (!notch || notch.depthMm === null)
    return {
      outside,
      throat,
      below: (holes) => flatFacets([outside, throat, ...holes], up(0), false),
      walls: (topMm) => [...wall(outside, 0, topMm), ...turnedIn(wall(throat, 0, topMm))],
    };
  const { depthMm } = notch;
  const [right, left] = notch.sides.map((side) => line(side)) as [Flat, Flat];
  const [rightIn, rightOut] = right as [Flat[0], Flat[0]];
  const [leftIn, leftOut] = left as [Flat[0], Flat[0]];
  const outer = splitAt(outside, rightOut, leftOut);
  const inner = splitAt(throat, rightIn, leftIn);
  // Over the groove: out along its right, round the outside to its left, in, and back round the throat.
  const roof: Flat = [...outer.between, ...[...inner.between].reverse()];
  const rest: Flat = [...outer.beyond, ...[...inner.beyond].reverse()];
  const stretch = (places: Flat, low: number, high: number): readonly Facet[] => wall(places, low, high).slice(0, -2);
  return {
    outside: outer.whole,
    throat: inner.whole,
    below: (holes) => [...flatFacets([rest, ...holes], up(0), false), ...flatFacets([roof], up(depthMm), false)],
    walls: (topMm) => [
      // All round from the groove's roof upwards, and below it beside the groove alone.
      ...wall(outer.whole, depthMm, topMm),
      ...turnedIn(wall(inner.whole, depthMm, topMm)),
      ...stretch(outer.beyond, 0, depthMm),
      ...turnedIn(stretch(inner.beyond, 0, depthMm)),
      // The groove's own two sides.
      ...stretch([leftIn, leftOut], 0, depthMm),
      ...turnedIn(stretch([rightIn, rightOut], 0, depthMm)),
    ],
  };
}

type Split = {
  /** Anticlockwise, with both corners in it. */
  readonly whole: Flat;
  /** From the first corner to the second, and from the second on to the first, both ends with each. */
  readonly between: Flat;
  readonly beyond: Flat;
};

/** A closed line about a middle, cut at two places on it. */
function splitAt(line: Flat, first: Flat[0], second: Flat[0]): Split {
  const whole = withPlace(withPlace(line, first), second);
  const at = (place: Flat[0]) => whole.findIndex((each) => each[0] === place[0] && each[1] === place[1]);
  const run = (from: number, to: number): Flat => {
    const places = from <= to ? whole.slice(from, to + 1) : [...whole.slice(from), ...whole.slice(0, to + 1)];
    return places;
  };
  return { whole, between: run(at(first), at(second)), beyond: run(at(second), at(first)) };
}

/** With a place in it where the line passes it nearest; the place of a corner takes the corner's. */
function withPlace(line: Flat, place: Flat[0]): Flat {
  let [best, nearest] = [0, Number.POSITIVE_INFINITY];
  line.forEach((a, at) => {
    const b = line[(at + 1) % line.length] as Flat[0];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const square = dx * dx + dy * dy;
    const t = square === 0 ? 0 : Math.max(0, Math.min(1, ((place[0] - a[0]) * dx + (place[1] - a[1]) * dy) / square));
    const off = Math.hypot(place[0] - a[0] - t * dx, place[1] - a[1] - t * dy);
    if (off < nearest) [best, nearest] = [at, off];
  });
  const [a, b] = [line[best], line[(best + 1) % line.length]] as [Flat[0], Flat[0]];
  for (const [corner, at] of [
    [a, best],
    [b, (best + 1) % line.length],
  ] as const)
    if (Math.hypot(corner[0] - place[0], corner[1] - place[1]) < SAME_MM)
      return line.map((each, of) => (of === at ? place : each));
  return [...line.slice(0, best + 1), place, ...line.slice(best + 1)];
}

/** Nearer than a printer tells apart, mm. */
const SAME_MM = 1e-3;
