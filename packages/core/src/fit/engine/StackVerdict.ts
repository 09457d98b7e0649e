/**
 * The verdict of one stack with as little work as it takes. Of each check the least and the gravest verdict that it can
 * have is bounded first; the margin itself is asked only where it could still make the stack graver than it is known to be.
 */
import { VERDICT_RANK } from '../Ranking';
import type { FitRules, FitSpacer } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { judgeStack } from './judgeStack';
import { type MarginMm, newMargin } from './MarginMm';
import type { OpeningFacts } from './OpeningFacts';
import { newRaise, type Raise, setRaise } from './Raise';
import { CHECK_AT, CHECKS, CLEARS, HITS, MEASURE, verdictOf } from './Scratch';
import type { SpacerOption } from './SpacerOption';
import type { BoundsMm, FrontBounds, StackMargins } from './StackMargins';

const NOT_ASKED = Number.NaN;

export class StackVerdict {
  /** What the front leaves to the speaker that is asked. */
  readonly front: FrontBounds = { leftMm: 0, surestMm: 0, widestMm: 0 };
  /** Of what hits, the most that a stack's worst margin can be, mm, and which check that is. */
  missMm = Number.NEGATIVE_INFINITY;
  missAt = 0;
  private speaker = 0;
  private readonly margin: MarginMm = newMargin();
  private readonly bounds: BoundsMm = { lowerMm: 0, upperMm: 0 };
  /** The widest interval of the margin that lies between these bounds, mm. */
  private widestMm = 0;
  /** Of the stack that is asked, and of a chain without a spacer. */
  private readonly raise = newRaise();
  private readonly bare = newRaise();
  /** The gravest that hole, depth and obstacles of the stack can be. */
  private readonly most = new Uint8Array(CHECKS);
  private holeRadiusMm = NOT_ASKED;
  /** The widest intervals of margins that are not above 0, mm; asked where they are needed. */
  private shortDepth = NOT_ASKED;
  private shortHole = NOT_ASKED;
  /** Margin of the hole for the chain that is asked, with the width that the body has at its flange, mm. */
  private fullHole = NOT_ASKED;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly facts: OpeningFacts,
    private readonly margins: StackMargins,
  ) {}

  /** After the margins have got an opening. */
  beginOpening(): void {
    this.holeRadiusMm = this.margins.hole.roundRadiusMm;
  }

  beginSpeaker(speaker: number): void {
    this.speaker = speaker;
    this.missMm = Number.NEGATIVE_INFINITY;
    this.missAt = CHECK_AT.bolts;
    this.shortDepth = NOT_ASKED;
    this.shortHole = NOT_ASKED;
    if (this.margins.frontKnown) this.margins.frontBounds(this.front, speaker);
  }

  beginMount(): void {
    this.fullHole = NOT_ASKED;
  }

  /** A stack hits with a margin of this at the most. */
  noteMiss(mm: number, check: number): void {
    if (!(mm > this.missMm)) return;
    this.missMm = mm;
    this.missAt = check;
  }

  /**
   * @param at place of the chain in the columns
   * @param gravest what is known of the chain already
   * @param limit a verdict above this is nobody's question
   * @returns the verdict, or any above the limit
   */
  judge(mount: ClassMount, at: number, option: SpacerOption | null, gravest: number, limit: number): number {
    const { margins, margin, speaker, raise, most } = this;
    setRaise(raise, mount, option);
    let verdict = Math.max(gravest, this.boundHole(mount, at, option));
    if (verdict > limit) return verdict;
    if (margins.frontKnown) verdict = Math.max(verdict, this.frontVerdict());
    if (verdict > limit) return verdict;
    verdict = Math.max(verdict, this.boundDepth(mount));
    if (verdict > limit) return verdict;
    verdict = Math.max(verdict, this.boundObstacles(mount));
    if (verdict > limit) return verdict;
    if ((most[CHECK_AT.hole] as number) > verdict) {
      margins.hole.holes(margin, speaker, mount, option?.spacer ?? null, raise);
      verdict = this.graver(verdict, CHECK_AT.hole);
      if (verdict > limit) return verdict;
    }
    if ((most[CHECK_AT.depth] as number) > verdict) {
      margins.depth(margin, speaker, mount, raise);
      verdict = this.graver(verdict, CHECK_AT.depth);
      if (verdict > limit) return verdict;
    }
    if ((most[CHECK_AT.obstacles] as number) > verdict) {
      margins.obstacles(margin, speaker, mount, raise);
      verdict = this.graver(verdict, CHECK_AT.obstacles);
    }
    // Boxes and recesses only add to what is in the way.
    const isPlain = margins.needsChecks || this.index.hasBoxes[speaker] === 1;
    return isPlain && verdict <= limit ? this.judgePlainly(mount, option?.spacer ?? null) : verdict;
  }

  /** Margin of the hole for the chain with the width that the body has at its flange, mm. */
  fullHoleMm(mount: ClassMount, at: number): number {
    if (Number.isNaN(this.fullHole)) {
      const { margins, index, speaker, facts } = this;
      const columns = facts.mounts;
      const isPlainCircle = index.row.isAllRound(speaker) || columns.isCentred[at] === 1;
      const holeMm = this.holeRadiusMm - (columns.offAxisMm[at] as number);
      const radiusMm = isPlainCircle ? Math.min(holeMm, columns.throatRadiusMm[at] as number) : Number.NaN;
      this.fullHole = Number.isNaN(radiusMm)
        ? margins.hole.leastMm(speaker, mount, null, this.bareRaise(mount))
        : radiusMm - index.row.bodyReachMm(speaker);
    }
    return this.fullHole;
  }

  shortHoleMm(): number {
    if (Number.isNaN(this.shortHole)) this.shortHole = this.margins.widestMm(CHECK_AT.hole, this.speaker, true);
    return this.shortHole;
  }

  shortDepthMm(): number {
    if (Number.isNaN(this.shortDepth)) this.shortDepth = this.margins.widestMm(CHECK_AT.depth, this.speaker, true);
    return this.shortDepth;
  }

  /** The margin is asked only in the slivers between the narrowest interval and the widest one. */
  private frontVerdict(): number {
    const { leftMm, surestMm, widestMm } = this.front;
    const value = leftMm - this.raise.mm;
    if (value >= widestMm) return CLEARS;
    if (Math.abs(value) < surestMm) return MEASURE;
    if (value <= -widestMm) {
      this.noteMiss(value, CHECK_AT.front);
      return HITS;
    }
    this.margins.front(this.margin, this.speaker, this.raise);
    return this.graver(CLEARS, CHECK_AT.front);
  }

  /** The least that the check can be; `most` has the gravest. */
  private boundHole(mount: ClassMount, at: number, option: SpacerOption | null): number {
    const { margins, speaker, index, raise } = this;
    if (!margins.hole.isKnown) return this.unasked(CHECK_AT.hole, MEASURE);
    let leastMm: number;
    let widestMm: number;
    if (raise.mm >= index.row.fullWidthTo(speaker)) {
      leastMm = margins.hole.leastMm(speaker, mount, option?.spacer ?? null, raise);
      widestMm = margins.widestMm(CHECK_AT.hole, speaker, false);
    } else {
      leastMm = this.fullHoleMm(mount, at);
      if (option && !option.spacer.made)
        leastMm = Math.min(leastMm, margins.hole.ringMm(speaker, mount, option.spacer, raise));
      widestMm = this.shortHoleMm();
    }
    this.bounds.lowerMm = leastMm;
    this.bounds.upperMm = leastMm;
    this.widestMm = widestMm;
    return this.bound(CHECK_AT.hole);
  }

  private boundDepth(mount: ClassMount): number {
    const { margins, speaker, bounds, facts } = this;
    if (!margins.sheetKnown)
      return this.unasked(CHECK_AT.depth, facts.opening?.behind === 'nothing' ? CLEARS : MEASURE);
    margins.depthBounds(bounds, speaker, mount, this.raise);
    this.widestMm =
      bounds.lowerMm >= 0
        ? margins.widestDepthMm(speaker, bounds.upperMm + margins.behindAskedMm)
        : this.shortDepthMm();
    return this.bound(CHECK_AT.depth);
  }

  private boundObstacles(mount: ClassMount): number {
    const { margins, speaker, bounds } = this;
    if (!margins.hasRods) return this.unasked(CHECK_AT.obstacles, CLEARS);
    margins.obstaclesBounds(bounds, speaker, mount, this.raise);
    this.widestMm = margins.widestMm(CHECK_AT.obstacles, speaker, false);
    return this.bound(CHECK_AT.obstacles);
  }

  private unasked(check: number, verdict: number): number {
    this.most[check] = verdict;
    return verdict;
  }

  /** What the bounds of a margin say, with the widest interval that it can have. */
  private bound(check: number): number {
    const { widestMm } = this;
    const { lowerMm, upperMm } = this.bounds;
    this.most[check] = lowerMm < 0 ? HITS : lowerMm >= widestMm ? CLEARS : MEASURE;
    if (upperMm >= 0) return CLEARS;
    if (upperMm + widestMm > 0) return MEASURE;
    this.noteMiss(upperMm, check);
    return HITS;
  }

  /** The graver of a verdict and that of the margin that was worked out last. */
  private graver(verdict: number, check: number): number {
    const { value, expanded } = this.margin;
    const next = verdictOf(value, expanded);
    if (next === HITS) this.noteMiss(value, check);
    return Math.max(verdict, next);
  }

  private judgePlainly(mount: ClassMount, spacer: FitSpacer | null): number {
    const { verdict, checks } = judgeStack(this.index, this.rules, this.facts, this.speaker, mount, spacer);
    for (const [at, { margin, verdict: each }] of checks.entries())
      if (each === 'hits' && margin) this.noteMiss(margin.valueMm, at);
    return VERDICT_RANK[verdict];
  }

  private bareRaise(mount: ClassMount): Raise {
    setRaise(this.bare, mount, null);
    return this.bare;
  }
}
