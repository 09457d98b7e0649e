/**
 * What stands in a door as surfaces of which places are sampled, and how far those are from what they must stay off: a geometry
 * written apart from the distance kernels, with nothing in common but the words of the records. Slow; a gap that is found is that of
 * a place on the surface, and so never less than the true one.
 */
import type { BodyBox, FitObstacle, FitSpeaker } from '../fit/shapes';
import type { OutlineMm } from '../geometry/Outline';

export type Point = readonly [number, number, number];
export type Flat = readonly [number, number];

/** Where the flange's underside stands, and how it is turned. */
export type Stand = {
  readonly xMm: number;
  readonly yMm: number;
  readonly angleRad: number;
  readonly raisedMm: number;
};

/** A surface by two shares, each from 0 to 1, and into how many parts each is cut at first. */
export type Surface = { readonly at: (u: number, v: number) => Point; readonly parts: readonly [number, number] };

const AROUND = 48;
const PART_MM = 6;

/** The body's skin, straight between two sections, and the face at its end. */
export function bodySurfaces({ profile }: Pick<FitSpeaker, 'profile'>, stand: Stand): readonly Surface[] {
  const ring = (length: number, width: number, depth: number, v: number) =>
    placed((length / 2) * Math.cos(2 * Math.PI * v), (width / 2) * Math.sin(2 * Math.PI * v), depth, stand);
  const last = profile[profile.length - 1];
  if (!last) throw new Error('bodySurfaces: expected a profile');
  const end: Surface = {
    parts: [6, AROUND],
    at: (u, v) => ring(u * last.lengthMm, u * last.widthMm, last.depthMm, v),
  };
  const skins = profile.slice(1).map((to, at): Surface => {
    const from = profile[at] as typeof to;
    const between = (a: number, b: number, u: number) => a + u * (b - a);
    return {
      parts: [Math.ceil((to.depthMm - from.depthMm) / PART_MM), AROUND],
      at: (u, v) =>
        ring(
          between(from.lengthMm, to.lengthMm, u),
          between(from.widthMm, to.widthMm, u),
          between(from.depthMm, to.depthMm, u),
          v,
        ),
    };
  });
  return [...skins, end];
}

/** All six faces of a terminal or a plug. */
export function boxSurfaces(box: BodyBox, stand: Stand): readonly Surface[] {
  const { angleRad, innerMm, outerMm, widthMm, fromMm, toMm } = box;
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const along = (u: number) => innerMm + u * (outerMm - innerMm);
  const across = (u: number) => (u - 0.5) * widthMm;
  const deep = (u: number) => fromMm + u * (toMm - fromMm);
  const at = (u: number, v: number, w: number) => placed(u * cos - v * sin, u * sin + v * cos, w, stand);
  const parts = [6, 6] as const;
  return [0, 1].flatMap((side): readonly Surface[] => [
    { parts, at: (u, v) => at(along(u), across(v), deep(side)) },
    { parts, at: (u, v) => at(along(side), across(u), deep(v)) },
    { parts, at: (u, v) => at(along(u), across(side), deep(v)) },
  ]);
}

const SEARCHED = 4;
const FINEST = 1e-5;

/** The least of a distance over a surface: over its parts' corners first, and from the best of those downhill in steps that grow finer. */
export function leastOver({ at, parts: [us, vs] }: Surface, distance: (point: Point) => number): number {
  const found: (readonly [number, number, number])[] = [];
  for (let i = 0; i <= us; i++)
    for (let j = 0; j <= vs; j++) found.push([distance(at(i / us, j / vs)), i / us, j / vs]);
  found.sort((a, b) => a[0] - b[0]);
  let least = Number.POSITIVE_INFINITY;
  for (const [start, u0, v0] of found.slice(0, SEARCHED)) {
    let [best, u, v] = [start, u0, v0];
    for (let [du, dv] = [0.5 / us, 0.5 / vs]; du > FINEST / us; du /= 2, dv /= 2) {
      for (let isBetter = true; isBetter; ) {
        isBetter = false;
        for (const [i, j] of WAYS) {
          const [nextU, nextV] = [clamp(u + i * du), clamp(v + j * dv)];
          const next = distance(at(nextU, nextV));
          if (next >= best - FINEST) continue;
          [best, u, v] = [next, nextU, nextV];
          isBetter = true;
        }
      }
    }
    least = Math.min(least, best);
  }
  return least;
}

const WAYS = [
  [1, 0],
  [-1, 0],
  [0, 1],
  [0, -1],
] as const;

function clamp(share: number): number {
  return Math.max(0, Math.min(1, share));
}

const AROUND_SECTION = 240;
const SECTION_STEP_MM = 8;

/**
 * Sections of the body, close together around each, from a height on to its end: what has to pass a plate that lies there.
 *
 * @param fromMm depth of the plate in the opening's frame
 */
export function sectionPoints(
  { profile }: Pick<FitSpeaker, 'profile'>,
  stand: Stand,
  fromMm: number,
): readonly (readonly Point[])[] {
  const first = fromMm + stand.raisedMm;
  const last = profile[profile.length - 1]?.depthMm ?? 0;
  const depths = [first, ...profile.map(({ depthMm }) => depthMm)];
  for (let depth = first; depth < last; depth += SECTION_STEP_MM) depths.push(depth);
  return depths
    .filter((depth) => depth >= first && depth <= last && depth >= 0)
    .map((depth) => {
      const after = Math.max(
        1,
        profile.findIndex(({ depthMm }) => depthMm >= depth),
      );
      const [a, b] = [profile[after - 1], profile[after]];
      if (!a || !b) throw new Error('sectionPoints: expected a profile of two sections at the least');
      const share = (depth - a.depthMm) / (b.depthMm - a.depthMm);
      const [length, width] = [
        a.lengthMm + share * (b.lengthMm - a.lengthMm),
        a.widthMm + share * (b.widthMm - a.widthMm),
      ];
      return Array.from({ length: AROUND_SECTION }, (_, at) => {
        const t = (2 * Math.PI * at) / AROUND_SECTION;
        return placed((length / 2) * Math.cos(t), (width / 2) * Math.sin(t), depth, stand);
      });
    });
}

function placed(u: number, v: number, depthMm: number, { xMm, yMm, angleRad, raisedMm }: Stand): Point {
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return [xMm + u * cos - v * sin, yMm + u * sin + v * cos, depthMm - raisedMm];
}

/** Places on the edge of what has no corners. */
export const EDGE_STEPS = 240;

/** A hole's edge, in order. */
export function edgePoints(outline: OutlineMm): readonly Flat[] {
  switch (outline.kind) {
    case 'polygon':
      return outline.corners.map(({ xMm, yMm }) => [xMm, yMm]);
    case 'circle':
      return ellipseEdge(outline.diameter / 2, outline.diameter / 2);
    case 'oval':
      return ellipseEdge(outline.length / 2, outline.width / 2);
    case 'roundedRectangle': {
      const { length, width, cornerRadiusMm: r } = outline;
      return Array.from({ length: EDGE_STEPS }, (_, at) => {
        const t = (2 * Math.PI * (at + 0.5)) / EDGE_STEPS;
        const [cos, sin] = [Math.cos(t), Math.sin(t)];
        return [Math.sign(cos) * (length / 2 - r) + r * cos, Math.sign(sin) * (width / 2 - r) + r * sin];
      });
    }
  }
}

function ellipseEdge(a: number, b: number): readonly Flat[] {
  return Array.from({ length: EDGE_STEPS }, (_, at) => {
    const t = (2 * Math.PI * at) / EDGE_STEPS;
    return [a * Math.cos(t), b * Math.sin(t)];
  });
}

/** Signed distance to a closed edge, positive inside. */
export function insideMm(edge: readonly (Flat | Point)[], x: number, y: number): number {
  let least = Number.POSITIVE_INFINITY;
  let isInside = false;
  for (let at = 0; at < edge.length; at++) {
    const a = edge[at] as Flat | Point;
    const b = edge[at + 1 === edge.length ? 0 : at + 1] as Flat | Point;
    const dx = b[0] - a[0];
    const dy = b[1] - a[1];
    const square = dx * dx + dy * dy;
    const free = square === 0 ? 0 : ((x - a[0]) * dx + (y - a[1]) * dy) / square;
    const share = clamp(free);
    const offX = x - a[0] - share * dx;
    const offY = y - a[1] - share * dy;
    const off = offX * offX + offY * offY;
    if (off < least) least = off;
    if (a[1] > y !== b[1] > y && x < a[0] + ((y - a[1]) / (b[1] - a[1])) * dx) isInside = !isInside;
  }
  return isInside ? Math.sqrt(least) : -Math.sqrt(least);
}

/**
 * The least of `least` and a distance at places in order. From one to the next it changes by no more than one goes (which holds for every
 * distance), so that a place that cannot be nearer than the nearest so far is not asked.
 */
export function leastAlong(
  places: readonly (Flat | Point)[],
  distance: (x: number, y: number) => number,
  least: number,
): number {
  let best = least;
  let noLess = Number.NEGATIVE_INFINITY;
  let before = places[0];
  for (const place of places) {
    noLess -= Math.hypot(place[0] - (before?.[0] ?? 0), place[1] - (before?.[1] ?? 0));
    before = place;
    if (noLess >= best) continue;
    noLess = distance(place[0], place[1]);
    if (noLess < best) best = noLess;
  }
  return best;
}

/** Signed distance to a rod or a box, positive outside. */
export function toObstacleMm(obstacle: FitObstacle, [x, y, z]: Point): number {
  const { angleRad, tiltRad, shape, depth } = obstacle;
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  const along: Point = [cos * Math.cos(tiltRad), sin * Math.cos(tiltRad), Math.sin(tiltRad)];
  const across: Point = [-sin, cos, 0];
  const inwards: Point = [-cos * Math.sin(tiltRad), -sin * Math.sin(tiltRad), Math.cos(tiltRad)];
  const off: Point = [x - obstacle.xMm, y - obstacle.yMm, z - depth.valueMm];
  const dot = (a: Point) => a[0] * off[0] + a[1] * off[1] + a[2] * off[2];
  // The noted place lies on its surface: straight in from there is its axis, or its middle.
  if (shape.kind === 'rod') {
    const radius = shape.diameterMm / 2;
    return Math.hypot(dot(across), dot(inwards) - radius) - radius;
  }
  const beyond = [
    Math.abs(dot(along)) - shape.lengthMm / 2,
    Math.abs(dot(across)) - shape.widthMm / 2,
    Math.abs(dot(inwards) - shape.thicknessMm / 2) - shape.thicknessMm / 2,
  ];
  const outside = Math.hypot(...beyond.map((each) => Math.max(0, each)));
  return outside > 0 ? outside : Math.max(...beyond);
}

export type DenseSheet = {
  readonly c0: number;
  readonly c1: number;
  readonly c2: number;
  readonly c3: number;
  /** The sheet is there above this; null for all of it. */
  readonly edgeMm: number | null;
};

const THIRDS = 24;
const REACH_MM = 60;

/**
 * Distance from a point in front of a sheet z = c0 + c1·x + c2·y + c3·y², negative behind it. Along x the sheet is straight, so that at
 * each height the distance has a closed form; the heights are searched by thirds.
 */
export function toSheetMm({ c0, c1, c2, c3, edgeMm }: DenseSheet, [x, y, z]: Point): number {
  const squareAt = (at: number) => (at - y) ** 2 + (c0 + c1 * x + c2 * at + c3 * at * at - z) ** 2 / (1 + c1 * c1);
  let [low, high] = [y - REACH_MM, y + REACH_MM];
  if (edgeMm !== null) [low, high] = [Math.max(low, edgeMm), Math.max(high, edgeMm)];
  for (let step = 0; step < THIRDS; step++) {
    const third = (high - low) / 3;
    if (squareAt(low + third) < squareAt(high - third)) high -= third;
    else low += third;
  }
  const isBehind = (edgeMm === null || y >= edgeMm) && z > c0 + c1 * x + c2 * y + c3 * y * y;
  const distance = Math.sqrt(squareAt((low + high) / 2));
  return isBehind ? -distance : distance;
}
