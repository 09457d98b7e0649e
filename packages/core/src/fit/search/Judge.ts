/**
 * Judges one stack at one placement: every check of the table, and the verdict of the whole.
 *
 * Each check is first asked for its worst gap alone. Where everything clears, but not by much, that is not enough to say
 * "clears" with the stated confidence: a sheet that may lean either way only ever takes room away, two rings may be equally
 * near, and a one-in-forty chance in each of several checks adds up. Then all gaps are drawn together, each dimension with
 * its own distribution, and the word follows the chance.
 */

import type { QuantityTerm } from '../../uncertainty';
import { combineUncertainty, Expansion, type Margin, sureness } from '../../uncertainty';
import type { LengthUnit } from '../../units';
import { CHECK_IDS, type Check, type CheckId, graver, VERDICT_GRAVITY, type Verdict } from '../Check';
import type { Judgement } from '../Judgement';
import { View } from '../layout/View';
import { isInMetal } from '../margins/checks/hole';
import { CHECK_TABLE } from '../margins/checkTable';
import type { Form } from '../margins/Doubts';
import { Gaps } from '../margins/Gaps';
import { type Drawn, drawTogether, POINTS, quantileOf } from '../margins/Together';
import type { Placement } from '../mates/placements';
import type { FitRules } from '../shapes';
import { comparePlacements, easeOf, landedOf, mostFor, type PlacementScore, SAME_MM } from './PlacementScore';

const BESIDE = CHECK_IDS.filter((id) => CHECK_TABLE[id].askedAt === 'beside');
const ASKED_IN_ORDER = CHECK_IDS.filter((id) => !BESIDE.includes(id)).sort((a, b) => placeOf(a) - placeOf(b));
/** What lies this near to its limit, in half-widths, may clear all the same. */
export const NEARLY_SURE = 0.85;
/** So many draws in a tail tell where it ends. */
const LEAST_TAIL = 8;
/** What is surer than this keeps its first-order interval: other gaps of the check may be as wide and surer still. */
const WELL_SURE = 2.5;

export class Judge {
  readonly view = new View();
  verdict: Verdict = 'clears';
  /** Of the checks that hit, the margin of the worst, mm; 0 where none does. */
  worstMm = 0;
  /** Of all margins the least, in half-widths of its interval. */
  leastSureness = Number.MAX_VALUE;
  /** That everything clears at once; null where it has not been drawn. */
  chance: number | null = null;
  /** What hits by more than this is of no interest, mm. */
  leastMm = Number.NEGATIVE_INFINITY;
  /** The check at which the last question ended early. */
  private failedAt: CheckId = 'hole';
  private readonly gaps: ReadonlyMap<CheckId, Gaps>;
  /** Those whose words make the candidate's, in the order in which they are asked. */
  private readonly inOrder: readonly Gaps[];
  private readonly beside: readonly Gaps[];
  private drawn: ReadonlyMap<CheckId, Drawn> | null = null;
  /** Whether the draws decided the word. */
  private isDrawnNear = false;

  constructor(readonly rules: FitRules) {
    const expansion = new Expansion(rules.confidence);
    this.gaps = new Map(CHECK_IDS.map((id) => [id, new Gaps(id, this.view.doubts, expansion, rules.confidence)]));
    this.inOrder = ASKED_IN_ORDER.map((id) => this.gapsOf(id));
    this.beside = BESIDE.map((id) => this.gapsOf(id));
  }

  /**
   * Asks every check of what the view shows.
   *
   * @param limit as soon as the verdict is graver, nobody wants to know more
   * @returns whether the verdict is within the limit; then it, and the figures, are those of the whole
   */
  ask(limit: Verdict = 'hits'): boolean {
    this.verdict = 'clears';
    this.worstMm = 0;
    this.leastSureness = Number.MAX_VALUE;
    this.chance = null;
    this.drawn = null;
    const { inOrder, view, rules } = this;
    for (let at = 0; at < inOrder.length; at++) {
      const gaps = inOrder[at] as Gaps;
      gaps.begin(false);
      CHECK_TABLE[gaps.id].ask(view, gaps, rules);
      this.note(gaps);
      if (this.worstMm < this.leastMm) {
        this.failedAt = gaps.id;
        return false;
      }
      if (
        VERDICT_GRAVITY[this.verdict] > VERDICT_GRAVITY[limit] &&
        !(this.isDrawn(this.verdict, limit) && gaps.sureness >= NEARLY_SURE)
      ) {
        this.failedAt = gaps.id;
        return false;
      }
    }
    if (this.isNearLimit()) this.draw();
    return VERDICT_GRAVITY[this.verdict] <= VERDICT_GRAVITY[limit];
  }

  /**
   * Of the placements of the stack in view the best: the least grave, then the one with most screws, then the surest.
   *
   * @param limit graver ones are of no interest
   * @returns null where all are graver
   */
  bestPlacement(placements: readonly Placement[], limit: Verdict): Placement | null {
    const { leastMm } = this;
    const best = this.bestOfPlacements(placements, limit);
    this.leastMm = leastMm;
    return best;
  }

  private bestOfPlacements(placements: readonly Placement[], limit: Verdict): Placement | null {
    const { leastMm } = this;
    let best: Placement | null = null;
    let bestScore: PlacementScore | null = null;
    // Of the placements that miss by more than anybody wants to know.
    let mostLandedOfLost = 0;
    for (const placement of placements) {
      const most = bestScore ? mostFor(placement, bestScore) : limit;
      if (!most) continue;
      if (VERDICT_GRAVITY[placement.floor] > VERDICT_GRAVITY[most] && !this.isDrawn(placement.floor, most)) continue;
      // As many screws or fewer: then what misses by more is not as good.
      const isBelow = bestScore?.verdict === 'hits' && landedOf(placement) <= bestScore.landed;
      this.leastMm = isBelow ? Math.max(leastMm, (bestScore as PlacementScore).worstMm - SAME_MM) : leastMm;
      this.view.setPlacement(placement);
      if (!this.ask(most)) {
        // What depends on no turn is the same at every other one.
        if (!CHECK_TABLE[this.failedAt].dependsOnTurn(this.view)) break;
        if (this.worstMm < leastMm && most === 'hits')
          mostLandedOfLost = Math.max(mostLandedOfLost, landedOf(placement));
        continue;
      }
      if (placements.length === 1) return placement;
      const score = this.placementScore(placement);
      if (bestScore && comparePlacements(score, bestScore) >= 0) continue;
      best = placement;
      bestScore = score;
    }
    return bestScore?.verdict === 'hits' && bestScore.landed < mostLandedOfLost ? null : best;
  }

  private placementScore(placement: Placement): PlacementScore {
    const { verdict, worstMm, leastSureness, inOrder } = this;
    let missedMm = 0;
    let ease = 0;
    for (const gaps of inOrder) {
      if (!gaps.hasMargin) continue;
      missedMm += Math.min(0, gaps.valueMm);
      ease += easeOf(gaps.sureness);
    }
    return {
      verdict,
      worstMm,
      leastSureness,
      landed: landedOf(placement),
      missedMm,
      ease,
      marginsMm: inOrder.map(({ hasMargin, valueMm }) => (hasMargin ? valueMm : 0)),
    };
  }

  private note(gaps: Gaps): void {
    const verdict = gaps.ownVerdict;
    if (VERDICT_GRAVITY[verdict] > VERDICT_GRAVITY[this.verdict]) this.verdict = verdict;
    if (!gaps.hasMargin) return;
    if (verdict === 'hits' && gaps.valueMm < this.worstMm) this.worstMm = gaps.valueMm;
    if (gaps.sureness < this.leastSureness) this.leastSureness = gaps.sureness;
  }

  /** Whether draws may still bring a verdict within a limit. */
  private isDrawn(verdict: Verdict, limit: Verdict): boolean {
    return verdict === 'measure' && limit === 'clears';
  }

  /** Whether the word depends on more than the first order: everything clears, but not by much, or all but does. */
  private isNearLimit(): boolean {
    if (this.verdict === 'clears') return this.mayMiss();
    return (
      this.verdict === 'measure' &&
      this.leastSureness >= NEARLY_SURE &&
      this.inOrder.every(({ ownVerdict, hasMargin }) => ownVerdict !== 'measure' || hasMargin)
    );
  }

  /** Whether the chances of all that clears by first order alone might add up to more than the shop allows. */
  private mayMiss(): boolean {
    const { confidence } = this.rules;
    let misses = 0;
    for (let at = 0; at < this.inOrder.length; at++) {
      misses += mostMisses(this.inOrder[at] as Gaps);
      if (misses > 1 - confidence) return true;
    }
    return false;
  }

  /** Draws all gaps together; the word follows the chance. */
  draw(): void {
    const { view, rules, inOrder } = this;
    const isNear = this.isNearLimit();
    this.isDrawnNear = isNear;
    const groups = inOrder.map((gaps): readonly Form[] => {
      gaps.begin(true);
      const kind = CHECK_TABLE[gaps.id];
      kind.ask(view, gaps, rules);
      kind.askAround?.(view, gaps, rules);
      return gaps.forms;
    });
    const drawn = drawTogether(groups, view.doubts);
    this.drawn = new Map(inOrder.map(({ id }, at) => [id, drawn[at] as Drawn]));
    const whole = drawn[drawn.length - 1] as Drawn;
    this.chance = whole.chance;
    inOrder.forEach((gaps, at) => {
      if (isNear && gaps.sureness < WELL_SURE) gaps.expandedMm = this.drawnHalfMm(gaps, drawn[at] as Drawn);
      const { chance } = drawn[at] as Drawn;
      const own = gaps.ownVerdict;
      if (isNear && own === 'measure' && chance >= rules.confidence) gaps.become('clears');
      const mayMissAlone = own === 'clears' && mostMisses(gaps) > 1 - rules.confidence;
      if (mayMissAlone && chance < rules.confidence) gaps.become('measure');
    });
    if (isNear && whole.chance < rules.confidence && inOrder.every(({ ownVerdict }) => ownVerdict === 'clears')) {
      this.leastSure().become('measure');
    }
    this.verdict = inOrder.reduce<Verdict>((gravest, { ownVerdict }) => graver(gravest, ownVerdict), 'clears');
  }

  /** How far below its value a margin may lie, by the draws; so far out that few of them tell, as far as the first order if that is farther. */
  private drawnHalfMm({ valueMm, expandedMm }: Gaps, drawn: Drawn): number {
    const beyond = 1 - this.rules.confidence;
    const halfMm = valueMm - quantileOf(drawn, beyond);
    return beyond * POINTS < LEAST_TAIL ? Math.max(expandedMm, halfMm) : halfMm;
  }

  private leastSure(): Gaps {
    return this.inOrder.reduce((least, each) => (each.sureness < least.sureness ? each : least));
  }

  /** Every check in words, with all that its margin depends on. Draws, where nothing is missing and nothing hits. */
  tell(unit: LengthUnit): Judgement {
    const { view } = this;
    if (!this.drawn) this.draw();
    for (const gaps of this.beside) {
      gaps.begin(true);
      CHECK_TABLE[gaps.id].ask(view, gaps, this.rules);
    }
    const { made } = view.opening.opening;
    const checks = CHECK_IDS.filter((id) => id !== 'staysFree' || made !== null).map((id) =>
      this.toCheck(this.gapsOf(id), unit),
    );
    const isMissing = checks.some(({ missing }) => missing.length > 0);
    return {
      verdict: this.verdict,
      checks,
      decidedBy: this.decidedBy(),
      chance: isMissing || checks.some(({ verdict, margin }) => verdict === 'hold' && !margin) ? null : this.chance,
      mount: { joints: view.joints, placement: view.placement, pose: view.pose },
      harness: view.harness ?? [],
    };
  }

  /**
   * The check that decides, of those with the verdict of the whole: a missing dimension before any margin; where it hits,
   * the one that misses most; otherwise the one that is least sure.
   */
  decidedBy(): CheckId {
    const { verdict } = this;
    const weight = (gaps: Gaps) => {
      if (gaps.isMissing) return Number.NEGATIVE_INFINITY;
      if (!gaps.hasMargin) return Number.POSITIVE_INFINITY;
      return verdict === 'hits' ? gaps.valueMm : sureness(gaps);
    };
    const [first, ...others] = CHECK_IDS.map((id) => this.gapsOf(id)).filter(
      (gaps) => gaps.ownVerdict === verdict && !this.beside.includes(gaps),
    );
    if (!first) throw new Error(`Judge.decidedBy: expected a check with verdict ${verdict}, got none`);
    return others.reduce((a, b) => (weight(b) < weight(a) ? b : a), first).id;
  }

  /** Whether the last question ended at what is behind, or at the hole in the metal. */
  get failsBehind(): boolean {
    return this.failedAt === 'depth' || (this.failedAt === 'hole' && isInMetal(this.gapsOf('hole')));
  }

  /** What no stack changes: whether the plug leads to the speaker; opening, speaker and harness must be in view. */
  askConnector(): Verdict {
    const gaps = this.gapsOf('connector');
    gaps.begin(false);
    CHECK_TABLE.connector.ask(this.view, gaps, this.rules);
    return gaps.ownVerdict;
  }

  gapsOf(id: CheckId): Gaps {
    const gaps = this.gaps.get(id);
    if (!gaps) throw new Error(`Judge: expected a check of the table, got ${id}`);
    return gaps;
  }

  private toCheck(gaps: Gaps, unit: LengthUnit): Check {
    const { id, verdict, countsFor, isJudged } = gaps;
    const { sentence, nearest, missing = [] } = CHECK_TABLE[id].tell(this.view, gaps, this.rules, unit);
    const margin = gaps.hasMargin ? this.marginOf(gaps) : null;
    return { id, verdict, countsFor, isJudged, margin, nearest, missing, sentence };
  }

  private marginOf(gaps: Gaps): Margin {
    const { view } = this;
    const form = gaps.worstForm;
    if (!form) throw new Error('Judge: expected the gap that decides as a form');
    const terms = Array.from(
      form.slots,
      (slot, at): QuantityTerm => ({
        name: view.nameOf(slot),
        dimension: view.dimensionOf(slot),
        sensitivity: form.sensitivities[at] as number,
      }),
    );
    const own = combineUncertainty(
      terms.map(({ dimension, sensitivity }) => ({
        sensitivity,
        standardUncertainty: dimension.uncertaintyMm,
        degreesOfFreedom: dimension.degreesOfFreedom,
        isRectangular: dimension.isRectangular ?? false,
      })),
    );
    const margin = {
      valueMm: gaps.valueMm,
      standardUncertaintyMm: own.standardUncertainty,
      degreesOfFreedom: own.degreesOfFreedom === null ? null : Math.max(1, Math.floor(own.degreesOfFreedom)),
      expandedMm: gaps.expandedMm,
      rectangularShare: own.rectangularShare,
      terms,
    };
    return { ...margin, ...this.interval(gaps) };
  }

  /** From the draws, where they decided; otherwise evenly about the value. */
  private interval({ id, valueMm, expandedMm }: Gaps): Pick<Margin, 'lowerMm' | 'upperMm'> {
    const isDrawn = this.isDrawnNear && valueMm < WELL_SURE * expandedMm;
    const drawn = isDrawn ? this.drawn?.get(id) : undefined;
    const lowerMm = valueMm - expandedMm;
    if (!drawn) return { lowerMm, upperMm: valueMm + expandedMm };
    return { lowerMm, upperMm: Math.max(valueMm, quantileOf(drawn, this.rules.confidence)) };
  }
}

/** No chance of a check to miss is above this. */
function mostMisses({ id, misses }: Gaps): number {
  return CHECK_TABLE[id].mostSides * misses;
}

function placeOf(id: CheckId): number {
  const { askedAt } = CHECK_TABLE[id];
  return askedAt === 'beside' ? Number.POSITIVE_INFINITY : askedAt;
}
