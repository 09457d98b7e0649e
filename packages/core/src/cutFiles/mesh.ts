/** A closed surface of triangles as binary STL, mm: what bounds a solid, each facet anticlockwise as it is seen from outside. */
import earcut from 'earcut';
import { cross, subtract, type Vec3 } from '../geometry';

export type Facet = readonly [Vec3, Vec3, Vec3];
export type Flat = readonly (readonly [x: number, y: number])[];

const HEADER_BYTES = 80;
const FACET_BYTES = 50;

export function toStl(facets: readonly Facet[]): Uint8Array<ArrayBuffer> {
  const bytes = new Uint8Array(HEADER_BYTES + 4 + FACET_BYTES * facets.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER_BYTES, facets.length, true);
  facets.forEach((facet, at) => {
    const start = HEADER_BYTES + 4 + FACET_BYTES * at;
    [...normalOf(facet), ...facet.flat()].forEach((value, each) => {
      view.setFloat32(start + 4 * each, value, true);
    });
  });
  return bytes;
}

/**
 * What lies within the first line and outside of the others, in triangles.
 *
 * @param lines the outer one, and what is cut out of it; each either way round
 * @param at where a place of them lies in space
 * @param isUp whether it is seen from where the lines run anticlockwise
 */
export function flatFacets(lines: readonly Flat[], at: (place: Flat[number]) => Vec3, isUp: boolean): readonly Facet[] {
  const places = lines.flat();
  const starts: number[] = [];
  lines.slice(0, -1).reduce((before, line) => {
    starts.push(before + line.length);
    return before + line.length;
  }, 0);
  const threes = withEveryPlace(places, straightPlaces(lines), earcut(places.flat(), starts));
  return threes.map((three): Facet => {
    const [a, b, c] = turnedLeft(three.map((of) => places[of]) as [Flat[0], Flat[0], Flat[0]]);
    return isUp ? [at(a), at(b), at(c)] : [at(c), at(b), at(a)];
  });
}

type Three = readonly [number, number, number];

/** What cuts a face into triangles passes places on a straight line by; the walls have them all, and every edge needs its neighbour. */
function withEveryPlace(places: Flat, straight: readonly number[], corners: readonly number[]): readonly Three[] {
  const left: Three[] = [];
  for (let at = 0; at < corners.length; at += 3) left.push([corners[at], corners[at + 1], corners[at + 2]] as Three);
  const whole: Three[] = [];
  for (let three = left.pop(); three; three = left.pop()) {
    // One without a width closes nothing once every side ends where its neighbour's does.
    if (isFlat(places, three)) continue;
    const split = splitAtPlace(places, straight, three);
    if (split) left.push(...split);
    else whole.push(three);
  }
  return whole;
}

function isFlat(places: Flat, [a, b, c]: Three): boolean {
  return [a, b, c].some((of, at) => {
    const [p, q, r] = [of, [a, b, c][(at + 1) % 3], [a, b, c][(at + 2) % 3]].map((each) => places[each as number]);
    return liesBetween(p as Flat[0], q as Flat[0], r as Flat[0]);
  });
}

/** Places at which their own line does not turn, in the order of all. */
function straightPlaces(lines: readonly Flat[]): readonly number[] {
  let before = 0;
  return lines.flatMap((line) => {
    const first = before;
    before += line.length;
    return line.flatMap((place, at) => {
      const [from, to] = [line.at(at - 1), line[(at + 1) % line.length]] as [Flat[0], Flat[0]];
      return liesBetween(place, from, to) ? [first + at] : [];
    });
  });
}

/** In two, at a place that one of its sides passes; null where none does. */
function splitAtPlace(places: Flat, straight: readonly number[], three: Three): readonly [Three, Three] | null {
  for (const side of [0, 1, 2]) {
    const [a, b, c] = [0, 1, 2].map((by) => three[(side + by) % 3] as number) as [number, number, number];
    const [from, to] = [places[a], places[b]] as [Flat[0], Flat[0]];
    const on = straight.find(
      (each) => each !== a && each !== b && each !== c && liesBetween(places[each] as Flat[0], from, to),
    );
    if (on !== undefined)
      return [
        [a, on, c],
        [on, b, c],
      ];
  }
  return null;
}

/** Off a line by less than a printer tells apart, mm. */
const ON_LINE_MM = 1e-6;

function liesBetween([x, y]: Flat[0], [ax, ay]: Flat[0], [bx, by]: Flat[0]): boolean {
  const [dx, dy] = [bx - ax, by - ay];
  const square = dx * dx + dy * dy;
  const t = ((x - ax) * dx + (y - ay) * dy) / square;
  return t > 0 && t < 1 && Math.hypot(x - ax - t * dx, y - ay - t * dy) < ON_LINE_MM;
}

function turnedLeft([a, b, c]: [Flat[0], Flat[0], Flat[0]]): readonly [Flat[0], Flat[0], Flat[0]] {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) >= 0 ? [a, b, c] : [a, c, b];
}

/** Between two closed lines of as many places, the second above the first where both run anticlockwise about what is solid. */
export function wallFacets(low: readonly Vec3[], high: readonly Vec3[]): readonly Facet[] {
  return low.flatMap((a, at): readonly Facet[] => {
    const next = (at + 1) % low.length;
    const [b, c, d] = [low[next], high[next], high[at]] as [Vec3, Vec3, Vec3];
    return [
      [a, b, c],
      [a, c, d],
    ];
  });
}

/** The other way round: of what is cut out. */
export function turnedIn(facets: readonly Facet[]): readonly Facet[] {
  return facets.map(([a, b, c]): Facet => [c, b, a]);
}

function normalOf([a, b, c]: Facet): Vec3 {
  const [x, y, z] = cross(subtract(b, a), subtract(c, a));
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}
