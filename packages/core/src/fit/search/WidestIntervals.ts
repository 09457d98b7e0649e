/** How wide the interval of a margin can be at the most, whatever the stack: what a search may let go without asking. */
import { outlineLengths } from '../../geometry';
import { ROUNDING_MM } from '../../math';
import {
  coverageFactor,
  type Dimension,
  Expansion,
  sharedUncertaintyMm,
  Variance,
  wholeUncertaintyMm,
} from '../../uncertainty';
import { holeOf, outsideOf } from '../layout/LayerShape';
import type { OpeningShape } from '../layout/OpeningShape';
import type { SpeakerShape } from '../layout/SpeakerShape';
import { MOST_LAYERS, SPEAKER } from '../layout/slots';
import type { FitLayer, FitRules } from '../shapes';

/** Where a body stands in a sheet, or all but touches it, the nearest place lies no farther than this aside of it, mm. */
const ASIDE_MM = 10;

/** What the widths of a body follow. */
const WIDTHS = [SPEAKER.basketLength, SPEAKER.basketWidth, SPEAKER.magnetDiameter, SPEAKER.widths] as const;

export class WidestIntervals {
  /** Of the heights of any stack, mm². */
  private readonly stackVariance: number;
  /** Of the lengths of any layer's hole, mm². */
  private readonly throatVariance: number;
  /** Of the lengths of any layer's outside, mm². */
  private readonly outsideVariance: number;
  private openingFactor = 0;
  private frontVariance = 0;
  private holeVariance = 0;
  private shape: OpeningShape | null = null;
  private readonly factors = new Map<number | null, number>();
  private readonly sum = new Variance();
  private readonly expansion: Expansion;

  constructor(
    private readonly rules: FitRules,
    layers: readonly FitLayer[],
  ) {
    this.expansion = new Expansion(rules.confidence);
    let [height, hole, outside] = [0, 0, 0];
    for (const layer of layers) {
      height = Math.max(height, layer.height.uncertaintyMm);
      for (const [, length] of outlineLengths(holeOf(layer))) hole = Math.max(hole, length.uncertaintyMm);
      for (const [, length] of outlineLengths(outsideOf(layer))) outside = Math.max(outside, length.uncertaintyMm);
    }
    this.stackVariance = MOST_LAYERS * height * height;
    this.throatVariance = 2 * hole * hole;
    this.outsideVariance = 2 * outside * outside;
  }

  setOpening(shape: OpeningShape): void {
    this.shape = shape;
    const freedom = shape.dimensions.reduce(
      (least, { degreesOfFreedom }) => Math.min(least, degreesOfFreedom ?? Number.POSITIVE_INFINITY),
      Number.POSITIVE_INFINITY,
    );
    this.openingFactor = this.factorOf(freedom);
    const { frontGap, hole } = shape.opening;
    this.holeVariance = outlineLengths(hole).reduce(
      (sum, [, length]) => sum + (length ? wholeUncertaintyMm(length) ** 2 : 0),
      0,
    );
    this.frontVariance = frontGap ? wholeUncertaintyMm(frontGap) ** 2 : 0;
  }

  /**
   * Whether no stack keeps a speaker out of what is in front, whatever stands behind: of an opening that is not worked out yet.
   *
   * @param leftMm the front margin on the lowest of what it can stand on
   */
  hitsInFront(frontGap: Dimension, { dimensions }: SpeakerShape, leftMm: number): boolean {
    if (leftMm >= 0) return false;
    const own = varianceOf(dimensions[SPEAKER.flangeThickness]) + varianceOf(dimensions[SPEAKER.frontHeight]);
    const whole = Math.sqrt(wholeUncertaintyMm(frontGap) ** 2 + own + this.stackVariance);
    const freedom = [frontGap, dimensions[SPEAKER.flangeThickness], dimensions[SPEAKER.frontHeight]].reduce(
      (least, each) => Math.min(least, each?.degreesOfFreedom ?? Number.POSITIVE_INFINITY),
      Number.POSITIVE_INFINITY,
    );
    return leftMm < -this.factorOf(freedom) * whole - ROUNDING_MM;
  }

  /** The greatest factor that an interval can be expanded by whose parts have so many degrees of freedom at the least. */
  private factorOf(freedom: number): number {
    const whole = freedom === Number.POSITIVE_INFINITY ? null : Math.max(1, Math.floor(freedom));
    let factor = this.factors.get(whole);
    if (factor === undefined) {
      // A rectangle's factor is the greater one at low confidence, the normal's at high.
      factor = Math.max(...[0, 0.25, 0.5, 0.75, 1].map((share) => coverageFactor(this.rules.confidence, whole, share)));
      this.factors.set(whole, factor);
    }
    return factor;
  }

  /** What the heights of a stack can add to any interval at the most, mm. */
  get stackMm(): number {
    return this.openingFactor * Math.sqrt(this.stackVariance);
  }

  /** The widest interval of a ring of the body in a hole of stack or metal, mm: it follows the widths alone. */
  holeMm({ dimensions }: SpeakerShape): number {
    let variance = Math.max(this.holeVariance, this.throatVariance);
    for (const slot of WIDTHS) variance += varianceOf(dimensions[slot]);
    return this.openingFactor * Math.sqrt(variance);
  }

  /** The widest interval of a cover: the hole under it and the outside over it, each a part's or one of them the metal's, mm. */
  coverMm({ dimensions }: SpeakerShape): number {
    const flange = varianceOf(dimensions[SPEAKER.flangeLength]) + varianceOf(dimensions[SPEAKER.flangeWidth]);
    return (
      this.openingFactor *
      Math.sqrt(Math.max(this.holeVariance, this.throatVariance) + Math.max(flange, this.outsideVariance))
    );
  }

  /** @param own told the variance of flange and front height, mm², and the sum of the squares of its parts */
  frontMm({ dimensions }: SpeakerShape, own: { variance: number; fourth: number }): number {
    const [flange, front] = [
      varianceOf(dimensions[SPEAKER.flangeThickness]),
      varianceOf(dimensions[SPEAKER.frontHeight]),
    ];
    own.variance = flange + front;
    own.fourth = flange * flange + front * front;
    return this.openingFactor * Math.sqrt(this.frontVariance + own.variance + this.stackVariance);
  }

  /** The interval of a front margin, mm, exactly: every one of its parts enters once. */
  frontIntervalMm(
    own: { readonly variance: number; readonly fourth: number },
    heights: number,
    heightsFourth: number,
  ): number {
    const { opening } = this.shape as OpeningShape;
    const { frontGap } = opening;
    this.sum.clear();
    if (frontGap) {
      const { uncertaintyMm, degreesOfFreedom, isRectangular = false, shared = [] } = frontGap;
      this.sum.add(uncertaintyMm ** 2, degreesOfFreedom ?? Number.POSITIVE_INFINITY, isRectangular);
      for (const error of shared) this.sum.add((error.by * error.uncertaintyMm) ** 2, Number.POSITIVE_INFINITY, true);
    }
    this.sum.addRectangular(own.variance + heights, own.fourth + heightsFourth);
    return this.expansion.expand(this.sum);
  }

  depthMm({ dimensions, reachMm }: SpeakerShape): number {
    const { shape } = this;
    if (!shape?.fitted) return 0;
    const reach = reachMm + ASIDE_MM;
    let sheet = 0;
    let shared = 0;
    for (const { dimension, gains } of shape.fitted.terms) {
      const [g0, g1, g2, g3] = gains;
      const gain = Math.abs(g0) + Math.abs(g1) * reach + Math.abs(g2) * reach + Math.abs(g3) * reach * reach;
      sheet += (gain * dimension.uncertaintyMm) ** 2;
      shared += gain * sharedUncertaintyMm(dimension);
    }
    const { sheet: fitted } = shape.fitted;
    const steep = 1 + Math.abs(fitted.c1) + Math.abs(fitted.c2) + 2 * Math.abs(fitted.c3) * reach;
    const edge = shape.opening.lowerEdge ? (steep * wholeUncertaintyMm(shape.opening.lowerEdge)) ** 2 : 0;
    let body = 0;
    for (const dimension of dimensions) body += varianceOf(dimension);
    return this.openingFactor * Math.sqrt(sheet + shared * shared + edge + body + this.stackVariance);
  }
}

function varianceOf(dimension: { readonly uncertaintyMm: number } | null | undefined): number {
  return dimension ? dimension.uncertaintyMm ** 2 : 0;
}
