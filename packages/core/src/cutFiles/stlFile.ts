/**
 * A template as a solid for a printer that prints in layers: binary STL, mm, its face to the car on z = 0, as it is seen from the cabin. Heads
 * that are sunk are sunk by hand.
 */
import earcut from 'earcut';
import type { EllipseMm } from '../geometry';
import type { Template } from '../template';

/** A chord leaves its arc by no more, mm. */
const CHORD_MM = 0.01;
const HEADER_BYTES = 80;
const FACET_BYTES = 50;

type Ring = readonly (readonly [x: number, y: number])[];

export function stlFile({ outside, throat, holes, thicknessMm }: Template): Uint8Array<ArrayBuffer> {
  const round = ({ xMm, yMm, diameterMm }: Template['holes'][number]): EllipseMm => ({
    ...{ xMm, yMm, angleRad: 0, halfLengthMm: diameterMm / 2, halfWidthMm: diameterMm / 2 },
  });
  const rings = [outside, throat, ...holes.map(round)].map((ellipse) => chords(ellipse, outside));
  const facets = [...faces(rings, thicknessMm), ...walls(rings, thicknessMm)];
  const bytes = new Uint8Array(HEADER_BYTES + 4 + FACET_BYTES * facets.length);
  const view = new DataView(bytes.buffer);
  view.setUint32(HEADER_BYTES, facets.length, true);
  facets.forEach((facet, at) => {
    const start = HEADER_BYTES + 4 + FACET_BYTES * at;
    const numbers = [...normalOf(facet), ...facet.flat()];
    numbers.forEach((value, each) => {
      view.setFloat32(start + 4 * each, value, true);
    });
  });
  return bytes;
}

/** Anticlockwise, about the middle of the piece. */
function chords({ xMm, yMm, halfLengthMm, halfWidthMm, angleRad }: EllipseMm, about: EllipseMm): Ring {
  const half = Math.max(halfLengthMm, halfWidthMm);
  const count = Math.max(24, Math.ceil(Math.PI / Math.acos(1 - CHORD_MM / half)));
  const [cos, sin] = [Math.cos(angleRad), Math.sin(angleRad)];
  return Array.from({ length: count }, (_, at) => {
    const turn = (2 * Math.PI * at) / count;
    const [x, y] = [halfLengthMm * Math.cos(turn), halfWidthMm * Math.sin(turn)];
    return [xMm - about.xMm + x * cos - y * sin, yMm - about.yMm + x * sin + y * cos] as const;
  });
}

type Vertex = readonly [x: number, y: number, z: number];
type Facet = readonly [Vertex, Vertex, Vertex];

function faces(rings: readonly Ring[], top: number): readonly Facet[] {
  const points = rings.flat();
  const starts: number[] = [];
  rings.slice(0, -1).reduce((before, ring) => {
    starts.push(before + ring.length);
    return before + ring.length;
  }, 0);
  const corners = earcut(points.flat(), starts);
  const facets: Facet[] = [];
  for (let at = 0; at < corners.length; at += 3) {
    const three = [0, 1, 2].map((each) => points[corners[at + each] as number]) as [Ring[0], Ring[0], Ring[0]];
    const [a, b, c] = turnedLeft(three);
    facets.push([lift(a, top), lift(b, top), lift(c, top)], [lift(c, 0), lift(b, 0), lift(a, 0)]);
  }
  return facets;
}

function turnedLeft([a, b, c]: [Ring[0], Ring[0], Ring[0]]): readonly [Ring[0], Ring[0], Ring[0]] {
  return (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]) >= 0 ? [a, b, c] : [a, c, b];
}

function walls(rings: readonly Ring[], top: number): readonly Facet[] {
  return rings.flatMap((ring, which) =>
    ring.flatMap((from, at): Facet[] => {
      const to = ring[(at + 1) % ring.length] as Ring[0];
      // The material is on the left of the outside, and on the right of what is cut out.
      const [a, b] = which === 0 ? [from, to] : [to, from];
      return [
        [lift(a, 0), lift(b, 0), lift(b, top)],
        [lift(a, 0), lift(b, top), lift(a, top)],
      ];
    }),
  );
}

function lift([x, y]: Ring[0], z: number): Vertex {
  return [x, y, z];
}

function normalOf([a, b, c]: Facet): Vertex {
  const [ux, uy, uz] = [b[0] - a[0], b[1] - a[1], b[2] - a[2]];
  const [vx, vy, vz] = [c[0] - a[0], c[1] - a[1], c[2] - a[2]];
  const [x, y, z] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const length = Math.hypot(x, y, z) || 1;
  return [x / length, y / length, z / length];
}
