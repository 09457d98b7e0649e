/** An opening as it is, every length exact, and where a stick would stop in it. */
import type { FitOpening } from '../../fit/shapes';
import { sheetDepthMm } from '../../geometry/glassSheet';
import { sheetDefaults } from '../../model/sheetDefaults';
import { exactly } from '../../uncertainty/Dimension';
import type { Ways } from './families';

export type TrueOpening = {
  readonly holeMm: number;
  /** How far the traced edge lies outside of the trace, mm; of a hole with tabs only. */
  readonly edgeMm: number;
  readonly circleMm: number;
  readonly frontMm: number;
  readonly depthMm: number;
  readonly lean: number;
  readonly sideLean: number;
  readonly curvature: number;
  readonly lowerEdgeMm: number;
  /** From the glass to the outer skin, which a stick meets below the glass's edge, mm. */
  readonly outerMm: number;
  readonly beamDepthMm: number;
  readonly beamXMm: number;
  readonly beamYMm: number;
};

/** Of a door's outer skin behind the glass, mm (from memory). */
const OUTER_MM = [18, 45] as const;

export function drawOpening(ways: Ways, between: (low: number, high: number) => number): TrueOpening {
  const usual = sheetDefaults(ways.behind);
  const drawn = (range: readonly [number, number] | null, key: keyof typeof usual) => {
    const { valueMm, uncertaintyMm } = usual[key];
    const half = uncertaintyMm * Math.sqrt(3);
    return range ? between(...range) : between(valueMm - half, valueMm + half);
  };
  return {
    holeMm: between(134, 152),
    edgeMm: between(-0.2, 0.2),
    circleMm: between(154, 158),
    frontMm: between(14, 30),
    depthMm: between(58, 88),
    lean: drawn(ways.lean, 'lean'),
    sideLean: drawn(ways.sideLean, 'sideLean'),
    curvature: drawn(ways.curvature, 'curvature'),
    lowerEdgeMm: between(...ways.lowerEdgeMm),
    outerMm: between(...OUTER_MM),
    beamDepthMm: between(48, 80),
    beamXMm: 0,
    beamYMm: between(-70, -45),
  };
}

/** What a stick reads at a place: below the edge that the glass has all the way down it goes on to the outer skin. */
export function stickDepthMm(truth: TrueOpening, { behind }: Ways, xMm: number, yMm: number): number {
  const isUnder = behind === 'glass' && yMm < truth.lowerEdgeMm;
  const { depthMm: c0, sideLean: c1, lean: c2, curvature: c3 } = truth;
  return sheetDepthMm({ c0, c1, c2, c3 }, xMm, yMm) + (isUnder ? truth.outerMm : 0);
}

/** The opening that was written down, with the true lengths in it. */
export function realOpening(truth: TrueOpening, ways: Ways, written: FitOpening): FitOpening {
  return {
    ...written,
    hole:
      written.hole.kind === 'polygon'
        ? { ...written.hole, edgeOffset: exactly(truth.edgeMm) }
        : { kind: 'circle', diameter: exactly(truth.holeMm) },
    bolts: written.bolts && {
      ...written.bolts,
      shape: { kind: 'circle', count: 4, diameter: exactly(truth.circleMm), firstAngleRad: Math.PI / 4 },
    },
    depths: written.depths.map((each) => ({
      ...each,
      depth: exactly(stickDepthMm(truth, ways, each.xMm, each.yMm)),
    })),
    sheet: { sideLean: exactly(truth.sideLean), lean: exactly(truth.lean), curvature: exactly(truth.curvature) },
    lowerEdge: written.lowerEdge && exactly(truth.lowerEdgeMm),
    frontGap: exactly(truth.frontMm),
    obstacles: written.obstacles.map((each) => ({
      ...each,
      xMm: truth.beamXMm,
      yMm: truth.beamYMm,
      depth: exactly(truth.beamDepthMm),
      placeX: exactly(0),
      placeY: exactly(0),
    })),
  };
}
