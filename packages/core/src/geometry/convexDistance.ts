/**
 * Signed distance of two convex solids from their support mappings: GJK while they are apart, the expanding polytope
 * where they overlap. Chosen for the pairs without a closed form (boxes at any angle); it needs no mesh and its closest
 * points come with it.
 *
 * @see Gilbert, Johnson & Keerthi, A fast procedure for computing the distance between complex objects, 1988; Ericson,
 *   Real-Time Collision Detection, 5.1.5 and 5.1.6 (closest points of triangle and tetrahedron), 9.5; van den Bergen,
 *   Collision Detection in Interactive 3D Environments, 4.3 (expanding polytope); all from memory
 */
import type { ConvexSolid } from './ConvexSolid';
import { add, cross, dot, length, scale, subtract, type Vec3 } from './vector';

export type SignedDistance = {
  /** mm; negative is the least way that parts the two. */
  readonly distanceMm: number;
  /** Unit direction from the first to the second. */
  readonly direction: Vec3;
  readonly onFirst: Vec3;
  readonly onSecond: Vec3;
};

/** A vertex of the difference A − B with the points it came from. */
type Vertex = { readonly difference: Vec3; readonly first: Vec3; readonly second: Vec3 };

const MOST_STEPS = 200;
/** The gap between the distance found and what may still be gained, relative to it. */
const RELATIVE_GAP = 1e-10;
const TOUCH_MM = 1e-7;
const EPA_GAP_MM = 1e-5;
const EPA_STEPS = 300;

export function convexDistance(a: ConvexSolid, b: ConvexSolid): SignedDistance {
  const vertex = (n: Vec3): Vertex => {
    const first = a.farthest(n);
    const second = b.farthest(scale(n, -1));
    return { difference: subtract(first, second), first, second };
  };
  const start = subtract(b.middle, a.middle);
  let simplex: Vertex[] = [vertex(length(start) > 0 ? start : [0, 0, 1])];
  let nearest = nearestToOrigin(simplex);
  for (let step = 0; step < MOST_STEPS; step++) {
    const { point } = nearest;
    const square = dot(point, point);
    if (square < TOUCH_MM * TOUCH_MM || nearest.simplex.length === 4) return penetration(nearest.simplex, vertex);
    const next = vertex(scale(point, -1));
    if (square - dot(next.difference, point) <= RELATIVE_GAP * square) break;
    if (nearest.simplex.some(({ difference }) => length(subtract(difference, next.difference)) < 1e-12)) break;
    simplex = [...nearest.simplex, next];
    const following = nearestToOrigin(simplex);
    if (following.simplex.length < 4 && dot(following.point, following.point) >= square) break;
    nearest = following;
  }
  const distanceMm = length(nearest.point);
  return {
    distanceMm,
    direction: scale(nearest.point, -1 / distanceMm),
    ...witnesses(nearest.simplex, nearest.weights),
  };
}

type Nearest = { readonly point: Vec3; readonly simplex: Vertex[]; readonly weights: readonly number[] };

function combine(simplex: readonly Vertex[], weights: readonly number[]): Nearest {
  let point: Vec3 = [0, 0, 0];
  const kept: Vertex[] = [];
  const keptWeights: number[] = [];
  simplex.forEach((each, index) => {
    const weight = weights[index] ?? 0;
    if (weight <= 0) return;
    kept.push(each);
    keptWeights.push(weight);
    point = add(point, scale(each.difference, weight));
  });
  return { point, simplex: kept, weights: keptWeights };
}

function witnesses(simplex: readonly Vertex[], weights: readonly number[]) {
  let onFirst: Vec3 = [0, 0, 0];
  let onSecond: Vec3 = [0, 0, 0];
  simplex.forEach(({ first, second }, index) => {
    onFirst = add(onFirst, scale(first, weights[index] ?? 0));
    onSecond = add(onSecond, scale(second, weights[index] ?? 0));
  });
  return { onFirst, onSecond };
}

/** The point of a simplex nearest to the origin, with the part of the simplex that carries it. */
function nearestToOrigin(simplex: readonly Vertex[]): Nearest {
  const [a, b, c, d] = simplex;
  if (a && b && c && d) return nearestOnTetrahedron([a, b, c, d]);
  if (a && b && c) return nearestOnTriangle(a, b, c);
  if (a && b) return nearestOnSegment(a, b);
  if (a) return combine([a], [1]);
  throw new Error('nearestToOrigin: expected a vertex, got none');
}

function nearestOnSegment(a: Vertex, b: Vertex): Nearest {
  const along = subtract(b.difference, a.difference);
  const square = dot(along, along);
  const t = square > 0 ? -dot(a.difference, along) / square : 0;
  if (t <= 0) return combine([a], [1]);
  return t >= 1 ? combine([b], [1]) : combine([a, b], [1 - t, t]);
}

function nearestOnTriangle(a: Vertex, b: Vertex, c: Vertex): Nearest {
  const ab = subtract(b.difference, a.difference);
  const ac = subtract(c.difference, a.difference);
  const normal = cross(ab, ac);
  const square = dot(normal, normal);
  if (square > 1e-24) {
    const weightC = dot(cross(ab, scale(a.difference, -1)), normal) / square;
    const weightB = dot(cross(scale(a.difference, -1), ac), normal) / square;
    const weightA = 1 - weightB - weightC;
    if (weightA >= 0 && weightB >= 0 && weightC >= 0) return combine([a, b, c], [weightA, weightB, weightC]);
  }
  return least([nearestOnSegment(a, b), nearestOnSegment(b, c), nearestOnSegment(a, c)]);
}

function nearestOnTetrahedron([a, b, c, d]: readonly [Vertex, Vertex, Vertex, Vertex]): Nearest {
  const faces: readonly (readonly [Vertex, Vertex, Vertex, Vertex])[] = [
    [a, b, c, d],
    [a, c, d, b],
    [a, d, b, c],
    [b, d, c, a],
  ];
  const outside = faces.filter(([p, q, r, opposite]) => {
    const normal = cross(subtract(q.difference, p.difference), subtract(r.difference, p.difference));
    const inner = dot(normal, subtract(opposite.difference, p.difference));
    const origin = -dot(normal, p.difference);
    return inner * origin < 0 || Math.abs(inner) < 1e-18;
  });
  if (outside.length === 0) return { point: [0, 0, 0], simplex: [a, b, c, d], weights: [0.25, 0.25, 0.25, 0.25] };
  return least(outside.map(([p, q, r]) => nearestOnTriangle(p, q, r)));
}

function least(options: readonly Nearest[]): Nearest {
  return options.reduce((best, each) => (dot(each.point, each.point) < dot(best.point, best.point) ? each : best));
}

type Face = { readonly corners: readonly [number, number, number]; readonly normal: Vec3; readonly offset: number };

/** The expanding polytope: grows A − B outwards from a tetrahedron around the origin until the nearest face is real. */
function penetration(start: readonly Vertex[], vertex: (n: Vec3) => Vertex): SignedDistance {
  const vertices = fullTetrahedron(start, vertex);
  if (!vertices) return touching(vertex);
  const middle = scale(
    vertices.reduce<Vec3>((sum, { difference }) => add(sum, difference), [0, 0, 0]),
    0.25,
  );
  const face = (i: number, j: number, k: number): Face | null => {
    const [p, q, r] = [i, j, k].map((at) => (vertices[at] as Vertex).difference) as [Vec3, Vec3, Vec3];
    const raw = cross(subtract(q, p), subtract(r, p));
    const size = length(raw);
    if (size < 1e-14) return null;
    const normal = scale(raw, (dot(raw, subtract(p, middle)) >= 0 ? 1 : -1) / size);
    return { corners: [i, j, k], normal, offset: dot(normal, p) };
  };
  let faces = [face(0, 1, 2), face(0, 2, 3), face(0, 3, 1), face(1, 3, 2)].filter((each) => each !== null);
  let best = nearestFace(faces);
  for (let step = 0; step < EPA_STEPS; step++) {
    const next = vertex(best.normal);
    if (dot(next.difference, best.normal) - best.offset < EPA_GAP_MM) break;
    vertices.push(next);
    const seen = faces.filter(({ normal, offset }) => dot(normal, next.difference) > offset + 1e-12);
    const hidden = faces.filter((each) => !seen.includes(each));
    const edges = horizon(seen);
    const added = edges.map(([i, j]) => face(i, j, vertices.length - 1)).filter((each) => each !== null);
    faces = [...hidden, ...added];
    if (faces.length === 0) break;
    best = nearestFace(faces);
  }
  const onFace = best.corners.map((at) => vertices[at] as Vertex) as [Vertex, Vertex, Vertex];
  const weights = planeWeights(onFace, scale(best.normal, best.offset));
  const depth = Math.max(0, best.offset);
  // Moving the first by −depth along the normal parts them.
  return { distanceMm: -depth, direction: best.normal, ...witnesses(onFace, weights) };
}

function nearestFace(faces: readonly Face[]): Face {
  return faces.reduce((least, each) => (each.offset < least.offset ? each : least));
}

/** The edges between what is seen from a new vertex and what is not: those that belong to one seen face only. */
function horizon(seen: readonly Face[]): readonly (readonly [number, number])[] {
  const edges = new Map<string, readonly [number, number]>();
  for (const { corners } of seen) {
    const [i, j, k] = corners;
    for (const [from, to] of [
      [i, j],
      [j, k],
      [k, i],
    ] as const) {
      const key = from < to ? `${from}/${to}` : `${to}/${from}`;
      if (edges.has(key)) edges.delete(key);
      else edges.set(key, [from, to]);
    }
  }
  return [...edges.values()];
}

function planeWeights([a, b, c]: readonly [Vertex, Vertex, Vertex], at: Vec3): readonly number[] {
  const ab = subtract(b.difference, a.difference);
  const ac = subtract(c.difference, a.difference);
  const ap = subtract(at, a.difference);
  const normal = cross(ab, ac);
  const square = dot(normal, normal);
  const weightC = dot(cross(ab, ap), normal) / square;
  const weightB = dot(cross(ap, ac), normal) / square;
  return [1 - weightB - weightC, weightB, weightC];
}

/** Four vertices that span a volume, from whatever the distance search ended with; null where there is no volume. */
function fullTetrahedron(start: readonly Vertex[], vertex: (n: Vec3) => Vertex): Vertex[] | null {
  const vertices = [...start];
  const tries: readonly Vec3[] = [
    [1, 0, 0],
    [-1, 0, 0],
    [0, 1, 0],
    [0, -1, 0],
    [0, 0, 1],
    [0, 0, -1],
    [1, 1, 1],
    [-1, -1, 1],
    [1, -1, -1],
    [-1, 1, -1],
  ];
  for (const n of tries) {
    if (vertices.length >= 4) break;
    const next = vertex(n);
    if (isIndependent([...vertices, next])) vertices.push(next);
  }
  return vertices.length >= 4 ? vertices.slice(0, 4) : null;
}

function isIndependent(vertices: readonly Vertex[]): boolean {
  const [a, b, c, d] = vertices.map(({ difference }) => difference);
  if (!a || !b) return true;
  const ab = subtract(b, a);
  if (!c) return length(ab) > 1e-9;
  const normal = cross(ab, subtract(c, a));
  if (!d) return length(normal) > 1e-9;
  return Math.abs(dot(normal, subtract(d, a))) > 1e-9;
}

function touching(vertex: (n: Vec3) => Vertex): SignedDistance {
  const { first, second } = vertex([0, 0, 1]);
  return { distanceMm: 0, direction: [0, 0, 1], onFirst: first, onSecond: second };
}
