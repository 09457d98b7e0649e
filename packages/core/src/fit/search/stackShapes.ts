/** Stacks in numbers: what each adds, and rooms that none of its margins is above. */
import type { Span } from '../../geometry';
import { type LayerShape, layerShape } from '../layout/LayerShape';
import type { SpeakerShape } from '../layout/SpeakerShape';
import type { FitLayer } from '../shapes';
import { stackIds } from './Ranking';
import { addedParts, raisedMm } from './stacks';

/** What stands on a chain or under it, with what it adds. */
export type Stack = {
  readonly layers: readonly FitLayer[];
  readonly shapes: readonly LayerShape[];
  readonly raisedMm: number;
  /** Of its heights, mm², and the sum of the squares of its parts. */
  readonly heightVariance: number;
  readonly heightFourth: number;
  readonly parts: number;
  readonly costMinor: number;
  readonly ids: string;
  /** How high the stack stands above each layer, mm. */
  readonly aboveMm: Float64Array;
  /** No cover between its own layers is above this, mm. */
  readonly coverMm: number;
  readonly lowest: LayerShape | undefined;
  readonly highest: LayerShape | undefined;
};

/** Simplest first: fewest parts, then the lowest, then the cheapest. */
export function toStacks(all: readonly (readonly FitLayer[])[]): readonly Stack[] {
  return all
    .map((layers) => [layers, layers.map(layerShape)] as const)
    .map(([layers, shapes]) => ({
      layers,
      shapes,
      raisedMm: raisedMm(layers),
      heightVariance: layers.reduce((sum, { height }) => sum + height.uncertaintyMm ** 2, 0),
      heightFourth: layers.reduce((sum, { height }) => sum + height.uncertaintyMm ** 4, 0),
      parts: addedParts(layers),
      costMinor: layers.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0),
      ids: stackIds(layers.map(({ id }) => id)),
      aboveMm: Float64Array.from(layers, (_, at) => raisedMm(layers.slice(at + 1))),
      coverMm: Math.min(...shapes.slice(1).map(({ outerSpan }, at) => coverOf(shapes[at]?.innerSpan, outerSpan))),
      lowest: shapes[0],
      highest: shapes[shapes.length - 1],
    }))
    .sort(
      (a, b) => a.parts - b.parts || a.raisedMm - b.raisedMm || a.costMinor - b.costMinor || (a.ids < b.ids ? -1 : 1),
    );
}

/** How wide a band round a hole may be at the most; Infinity where one of the two is made to suit, or not known. */
export function coverOf(hole: Span | null | undefined, above: Span | null): number {
  if (!hole || !above) return Number.POSITIVE_INFINITY;
  return Math.min(above.longestMm - hole.longestMm, above.narrowestMm - hole.narrowestMm) / 2;
}

/** How much room any ring of the body that lies deeper than this below its flange has in a hole at the most, mm; Infinity where there is none. */
export function roomOf({ longestMm, narrowestMm }: Span, shape: SpeakerShape, depthMm: number): number {
  let least = Number.POSITIVE_INFINITY;
  for (let ring = shape.ringCount - 1; ring >= 0 && shape.ringDepthMm(ring) > depthMm; ring--) {
    const [a, b] = [shape.halfLengthMm(ring), shape.halfWidthMm(ring)];
    least = Math.min(least, longestMm / 2 - Math.max(a, b), narrowestMm / 2 - Math.min(a, b));
  }
  return least;
}
