/**
 * The outline of a hole, a throat, a basket or a flange: circle, oval (an ellipse), rounded rectangle, or a free polygon
 * whose sides may be arcs.
 *
 * Ovals and rectangles lie with their long axis on the opening's long axis (+x); a speaker is turned so that its own
 * does too. A polygon is traced, so it has one doubt of its own: how far the trace may lie off the edge.
 */
import type { Dimension } from '../uncertainty';

export type Outline<Length = Dimension> =
  | { readonly kind: 'circle'; readonly diameter: Length }
  | { readonly kind: 'oval'; readonly length: Length; readonly width: Length }
  | {
      readonly kind: 'roundedRectangle';
      readonly length: Length;
      readonly width: Length;
      readonly cornerRadiusMm: number;
    }
  | {
      readonly kind: 'polygon';
      /** In order, either way round; seen from the cabin, from the opening's centre. */
      readonly corners: readonly PolygonCorner[];
      /** How far the true edge lies outside the trace. */
      readonly edgeOffset: Length;
    };

export type PolygonCorner = {
  readonly xMm: number;
  readonly yMm: number;
  /** How far the side to the next corner bulges outwards (to the right of the way from here to there) at its middle, mm; 0 for a straight side. */
  readonly bulgeMm: number;
};

/** An outline that a part can have: convex, so that it can be turned in a hole by its support function alone. */
export type PartOutline<Length = Dimension> = Extract<Outline<Length>, { kind: 'circle' | 'oval' }>;

/** The lengths of an outline by the end of their names: `Diameter`, `Length`, `Width`, `EdgeOffset`. */
export function outlineLengths<Length>(outline: Outline<Length>): readonly (readonly [string, Length])[] {
  switch (outline.kind) {
    case 'circle':
      return [['Diameter', outline.diameter]];
    case 'polygon':
      return [['EdgeOffset', outline.edgeOffset]];
    default:
      return [
        ['Length', outline.length],
        ['Width', outline.width],
      ];
  }
}

/** The outline with each length replaced by what `of` makes of it and of the end of its name. */
export function mapOutline<From, To>(outline: Outline<From>, of: (length: From, ending: string) => To): Outline<To> {
  switch (outline.kind) {
    case 'circle':
      return { kind: 'circle', diameter: of(outline.diameter, 'Diameter') };
    case 'polygon':
      return { ...outline, edgeOffset: of(outline.edgeOffset, 'EdgeOffset') };
    default:
      return { ...outline, length: of(outline.length, 'Length'), width: of(outline.width, 'Width') };
  }
}

/** As {@link mapOutline}, for a part's outline. */
export function mapPartOutline<From, To>(
  outline: PartOutline<From>,
  of: (length: From, ending: string) => To,
): PartOutline<To> {
  return outline.kind === 'circle'
    ? { kind: 'circle', diameter: of(outline.diameter, 'Diameter') }
    : { kind: 'oval', length: of(outline.length, 'Length'), width: of(outline.width, 'Width') };
}

/** The extents along and across the long axis of a part's outline; equal for a circle. */
export function extents<Length>(outline: PartOutline<Length>): { readonly length: Length; readonly width: Length } {
  return outline.kind === 'circle' ? { length: outline.diameter, width: outline.diameter } : outline;
}

export type OutlineMm = Outline<number>;

/** The outline in plain millimetres; null when a length is not known. */
export function outlineMm(outline: Outline<Dimension | null>): OutlineMm | null {
  if (outlineLengths(outline).some(([, length]) => length === null)) return null;
  return mapOutline(outline, (length) => (length as Dimension).valueMm);
}

/** Half the size of the box around an outline, mm, for drawings and for where a rim is. */
export function halfExtentsMm(outline: OutlineMm): { readonly x: number; readonly y: number } {
  switch (outline.kind) {
    case 'circle':
      return { x: outline.diameter / 2, y: outline.diameter / 2 };
    case 'polygon': {
      const points = polygonPoints(outline);
      return {
        x: Math.max(...points.map(([x]) => Math.abs(x))) + outline.edgeOffset,
        y: Math.max(...points.map(([, y]) => Math.abs(y))) + outline.edgeOffset,
      };
    }
    default:
      return { x: outline.length / 2, y: outline.width / 2 };
  }
}

/** How long an outline is at its longest, and how wide where it is narrowest, whatever the direction, mm. */
export type Span = { readonly longestMm: number; readonly narrowestMm: number };

/** null for a polygon, which need not lie evenly about its middle. */
export function spanOf(outline: OutlineMm): Span | null {
  switch (outline.kind) {
    case 'circle':
      return { longestMm: outline.diameter, narrowestMm: outline.diameter };
    case 'oval':
      return {
        longestMm: Math.max(outline.length, outline.width),
        narrowestMm: Math.min(outline.length, outline.width),
      };
    case 'roundedRectangle': {
      const narrowestMm = Math.min(outline.length, outline.width);
      const cornerMm = Math.min(outline.cornerRadiusMm, narrowestMm / 2);
      const corners = Math.hypot(outline.length - 2 * cornerMm, outline.width - 2 * cornerMm);
      return { longestMm: corners + 2 * cornerMm, narrowestMm };
    }
    case 'polygon':
      return null;
  }
}

/** How far a chord may lie off its arc, mm. */
const CHORD_MM = 0.002;

/** The polygon's corners with its arcs cut into chords that leave them by no more than `chordMm`, in order. */
export function polygonPoints(
  { corners }: Pick<Extract<OutlineMm, { kind: 'polygon' }>, 'corners'>,
  chordMm = CHORD_MM,
) {
  return corners.flatMap((corner, index): readonly (readonly [number, number])[] => {
    const next = corners[(index + 1) % corners.length] ?? corner;
    return arcPoints(corner, next, chordMm);
  });
}

/** From a corner up to, but without, the next. A bulge is the sagitta s of the arc: radius = s/2 + chord²/8s. */
function arcPoints(from: PolygonCorner, to: PolygonCorner, chordMm: number): readonly (readonly [number, number])[] {
  const chord = Math.hypot(to.xMm - from.xMm, to.yMm - from.yMm);
  const sagitta = from.bulgeMm;
  if (Math.abs(sagitta) < CHORD_MM || chord === 0) return [[from.xMm, from.yMm]];
  const radius = Math.abs(sagitta) / 2 + (chord * chord) / (8 * Math.abs(sagitta));
  const half = 2 * Math.atan2(2 * Math.abs(sagitta), chord);
  const steps = Math.max(2, Math.ceil(half / Math.acos(Math.max(-1, 1 - chordMm / radius))));
  const along = [(to.xMm - from.xMm) / chord, (to.yMm - from.yMm) / chord] as const;
  const right = [along[1], -along[0]] as const;
  const sign = Math.sign(sagitta);
  // In the chord's frame the arc's centre lies on its middle line, sagitta − radius to the right.
  const centre = Math.abs(sagitta) - radius;
  return Array.from({ length: steps }, (_, step) => {
    const angle = -half + (2 * half * step) / steps;
    const t = chord / 2 + radius * Math.sin(angle);
    const off = sign * (centre + radius * Math.cos(angle));
    return [from.xMm + t * along[0] + off * right[0], from.yMm + t * along[1] + off * right[1]] as const;
  });
}
