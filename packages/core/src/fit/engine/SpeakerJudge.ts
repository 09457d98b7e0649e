/**
 * The best stack of one speaker: what `judgeCandidate` says of every stack that `stackSearch` names, with early exits. The
 * cheap checks come first, and a stack is let go as soon as it can no longer beat the best of its speaker. Where a part
 * already hits by so much, a bound of the dear distances is enough to know that nothing misses by more.
 */
import { CHECK_IDS } from '../Check';
import { figureOf, SAME_FIGURE } from '../Ranking';
import type { FitRules, FitSpacer } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { judgeStack } from './judgeStack';
import { type MarginMm, newMargin } from './MarginMm';
import type { OpeningFacts } from './OpeningFacts';
import { newRaise, setRaise } from './Raise';
import { CHECK_AT, CHECKS, CLEARS, HITS, HOLD, MEASURE, Scratch, surenessOf, verdictOf } from './Scratch';
import type { SpacerOption } from './SpacerOption';
import { DEAR, type StackFigures } from './StackFigures';
import type { BoundsMm, FrontBounds, StackMargins } from './StackMargins';
import type { Standings } from './Standings';

/** The dear checks in the order in which their bounds cost. */
const DEAR_BOUNDS = [CHECK_AT.depth, CHECK_AT.hole, CHECK_AT.obstacles];

const NO_SPACER = -1;
const NONE = -1;

export class SpeakerJudge {
  private scratch = new Scratch();
  private best = new Scratch();
  private readonly margin: MarginMm = newMargin();
  /** Of the stack that is being tried, and of its chain without a spacer. */
  private readonly raise = newRaise();
  private readonly bare = newRaise();
  /** Of the dear checks, by their numbers. */
  private readonly bounds: readonly BoundsMm[] = CHECK_IDS.map(() => ({ lowerMm: 0, upperMm: 0 }));
  /** Length of the hole margin of the mount that is being tried, without a spacer, mm; NaN until asked. */
  private bareHoleMm = Number.NaN;
  /** The stack in the scratch surely misses by this much, mm; 0 where nobody knows. */
  private surelyMm = 0;
  private readonly front: FrontBounds = { leftMm: 0, surestMm: 0, widestMm: 0 };
  /** The widest intervals of the speaker's dear checks, mm: of any margin, and of one that is not above 0; NaN until asked. */
  private readonly widest = new Float64Array(CHECKS);
  private readonly widestShort = new Float64Array(CHECKS);
  /** Whether the body of the stack that is being tried runs aslant through a hole. */
  private isAslant = false;
  /** Of the speaker that is being judged. */
  private speaker = 0;
  private isPlain = false;
  private bestMount = NONE;
  private bestSpacer = NO_SPACER;
  /** The best before; that one is tried first. */
  private formerMount = NONE;
  private formerSpacer = NO_SPACER;
  private bestParts = 0;
  private bestCost = 0;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    private readonly facts: OpeningFacts,
    private readonly margins: StackMargins,
    private readonly figures: StackFigures,
    private readonly standings: Standings,
  ) {}

  /**
   * Judges a speaker and writes down where it stands.
   *
   * @param hasFormer whether the chains and spacers are those of the answer that stands there
   */
  judge(speaker: number, hasFormer: boolean): void {
    const mounts = this.facts.mountsOf(speaker);
    this.speaker = speaker;
    this.isPlain = this.margins.needsChecks || this.index.hasBoxes[speaker] === 1;
    this.bestMount = NONE;
    this.formerMount = NONE;
    this.bareHoleMm = Number.NaN;
    this.widest.fill(Number.NaN);
    this.widestShort.fill(Number.NaN);
    this.margins.frontBounds(this.front, speaker);
    if (hasFormer) this.tryFormerBest(mounts);
    for (let at = 0; at < mounts.length; at++) {
      const mount = mounts[at] as ClassMount;
      const parts = mount.brackets.length;
      if (this.bestMount !== NONE) {
        // Mounts come with few parts first: what clears with fewer cannot be beaten any more.
        if (this.best.gravest === CLEARS && parts > this.bestParts) break;
        // Then the lowest first: where the front loses, every higher one does.
        if (this.frontLoses(mount.raisedMm, parts)) {
          at = mount.lastAlike;
          continue;
        }
      }
      this.bareHoleMm = Number.NaN;
      if (mount.raisedMm >= this.lowestMm(mount) && !this.isFormer(at, NO_SPACER)) this.tryStack(mount, at, NO_SPACER);
      this.trySpacers(mount, at);
    }
    this.writeDown();
  }

  /** What was best before is likely so again; with it to beat, the others fall sooner. */
  private tryFormerBest(mounts: readonly ClassMount[]): void {
    const { standings, speaker } = this;
    this.formerMount = standings.mount[speaker] as number;
    this.formerSpacer = standings.spacer[speaker] as number;
    this.tryStack(mounts[this.formerMount] as ClassMount, this.formerMount, this.formerSpacer);
  }

  private isFormer(mountAt: number, optionAt: number): boolean {
    return mountAt === this.formerMount && optionAt === this.formerSpacer;
  }

  private trySpacers(mount: ClassMount, mountAt: number): void {
    const { spacers } = this.facts;
    const { bolts } = mount;
    const parts = mount.brackets.length + 1;
    if (bolts.gravity === HITS || spacers.length === 0) return;
    if (this.best.gravest === CLEARS && parts > this.bestParts) return;
    if (bolts.hasMargin && this.marginLoses(bolts.valueMm, bolts.expandedMm, parts)) return;
    if (this.frontLoses(mount.raisedMm + (spacers[0] as SpacerOption).heightMm, parts)) return;
    let lowestMm = this.lowestMm(mount);
    let known = this.best;
    const highestMm = mount.raisedMm + (spacers[spacers.length - 1] as SpacerOption).heightMm;
    const isStuckInHole = !this.isPlain && highestMm >= lowestMm && this.holeLoses(mount, parts);
    for (let option = 0; option < spacers.length; option++) {
      const raisedMm = mount.raisedMm + (spacers[option] as SpacerOption).heightMm;
      if (raisedMm > this.rules.mostRaisedMm) break;
      if (raisedMm < lowestMm || (isStuckInHole && !this.runsAslant(raisedMm))) continue;
      // The lowest come first: where the front loses, every higher one does.
      if (this.frontLoses(raisedMm, parts)) break;
      if (this.isFormer(mountAt, option)) continue;
      this.tryStack(mount, mountAt, option);
      if (known === this.best) continue;
      known = this.best;
      lowestMm = this.lowestMm(mount);
    }
  }

  /**
   * Whether the front alone keeps every stack that is at least so high from being the best. Heights differ in how sure
   * they are, so it must lose with the surest and with the least sure of them.
   */
  private frontLoses(raisedMm: number, parts: number): boolean {
    const { front } = this;
    if (!this.margins.frontKnown || this.bestMount === NONE) return false;
    const value = front.leftMm - raisedMm;
    return this.marginLoses(value, front.widestMm, parts) && this.marginLoses(value, front.surestMm, parts);
  }

  /** Below this height a stack surely hits what stands behind, and by more than the best does. */
  private lowestMm(mount: ClassMount): number {
    const { best, margins } = this;
    if (this.bestMount === NONE || this.isPlain || !margins.sheetKnown) return Number.NEGATIVE_INFINITY;
    const hitsMm = -this.widestShortMm(CHECK_AT.depth);
    const worseMm = best.gravest === HITS ? best.worstMm - SAME_FIGURE * 2 : 0;
    return margins.heightForDepthMm(this.speaker, mount, Math.min(hitsMm, worseMm));
  }

  /** Whether the hole of the bare stack, which a spacer leaves as it is, does so. */
  private holeLoses(mount: ClassMount, parts: number): boolean {
    if (!this.margins.hole.isKnown || this.bestMount === NONE) return false;
    const valueMm = this.bareMm(mount);
    this.isAslant = this.runsAslant(mount.raisedMm);
    const widest = this.widestShortMm(CHECK_AT.hole);
    return valueMm + widest <= 0 && this.marginLoses(valueMm, widest, parts);
  }

  private bareMm(mount: ClassMount): number {
    if (Number.isNaN(this.bareHoleMm)) {
      setRaise(this.bare, mount, null);
      this.bareHoleMm = this.margins.hole.leastMm(this.speaker, mount, null, this.bare);
    }
    return this.bareHoleMm;
  }

  /** Length of the hole margin of a stack, mm. A body that is as wide as at its flange passes the metal alike at every height. */
  private holeMm(mount: ClassMount, option: SpacerOption | null): number {
    if (!option) return this.bareMm(mount);
    const { raise } = this;
    const { hole } = this.margins;
    if (this.isAslant) return hole.leastMm(this.speaker, mount, option.spacer, raise);
    return Math.min(this.bareMm(mount), hole.ringMm(this.speaker, mount, option.spacer, raise));
  }

  /** Whether a body that is raised so far passes the metal, or a plate above it, with sides that run aslant. */
  private runsAslant(raisedMm: number): boolean {
    return raisedMm >= this.index.row.fullWidthTo(this.speaker);
  }

  /** Whether a stack that has this margin among its own cannot be better than the best. */
  private marginLoses(value: number, expanded: number, parts: number): boolean {
    const { best } = this;
    const verdict = verdictOf(value, expanded);
    if (verdict !== best.gravest) return verdict > best.gravest;
    if (verdict === HITS) return this.isNoBetter(value, best.worstMm, parts);
    return verdict === MEASURE && this.isNoBetter(surenessOf(value, expanded), best.leastSureness, parts);
  }

  private isNoBetter(value: number, best: number, parts: number): boolean {
    const off = figureOf(value) - figureOf(best);
    return off < 0 || (off === 0 && parts > this.bestParts);
  }

  /** Judges one stack and keeps it when it is the speaker's best so far; gives up where it cannot be. Cheap checks first. */
  private tryStack(mount: ClassMount, mountAt: number, optionAt: number): void {
    const { scratch } = this;
    const option = optionAt === NO_SPACER ? null : (this.facts.spacers[optionAt] as SpacerOption);
    const parts = mount.brackets.length + (option?.parts ?? 0);
    if (this.isDearer(mount, option, parts)) return;
    setRaise(this.raise, mount, option);
    this.isAslant = this.runsAslant(this.raise.mm);
    if (!this.isPlain && !this.boundDearChecks(mount, option, parts)) return;
    scratch.begin();
    if (this.isPlain) this.judgePlainly(mount, option?.spacer ?? null);
    else if (!this.judgeQuickly(mount, option, parts)) return;
    this.keepIfBetter(mountAt, optionAt, mount, option, parts);
  }

  /** Whether a stack is more trouble than the best one, which clears: it need not be asked whether it clears too. */
  private isDearer(mount: ClassMount, option: SpacerOption | null, parts: number): boolean {
    if (this.bestMount === NONE || this.best.gravest !== CLEARS) return false;
    if (parts !== this.bestParts) return parts > this.bestParts;
    return this.figures.costOf(this.speaker, mount, option) > this.bestCost;
  }

  /** Fills the scratch; false as soon as the stack has lost. */
  private judgeQuickly(mount: ClassMount, option: SpacerOption | null, parts: number): boolean {
    this.figures.setCheap(this.scratch, this.speaker, mount, option, this.raise);
    if (this.hasLost(parts)) return false;
    return this.setDearChecks(mount, option, parts);
  }

  /** Notes between which lengths the dear checks lie; false where one of them shows that the stack has lost. */
  private boundDearChecks(mount: ClassMount, option: SpacerOption | null, parts: number): boolean {
    const { margins, speaker, bounds, raise } = this;
    this.surelyMm = 0;
    for (const check of DEAR_BOUNDS) {
      const of = bounds[check] as BoundsMm;
      if (!margins.isAsked(check)) continue;
      if (check === CHECK_AT.hole) {
        of.lowerMm = this.holeMm(mount, option);
        of.upperMm = of.lowerMm;
      } else if (check === CHECK_AT.depth) margins.depthBounds(of, speaker, mount, raise);
      else margins.obstaclesBounds(of, speaker, mount, raise);
      if (of.upperMm >= 0 || of.upperMm + this.widestShortMm(check) > 0) continue;
      if (this.bestMount !== NONE && this.marginLoses(of.upperMm, this.widestShortMm(check), parts)) return false;
      this.surelyMm = Math.min(this.surelyMm, of.upperMm);
    }
    return true;
  }

  /** Hole, depth and obstacles, each no more exactly than the answer needs; false as soon as the stack has lost. */
  private setDearChecks(mount: ClassMount, option: SpacerOption | null, parts: number): boolean {
    const { scratch, margin, margins, speaker, raise, figures } = this;
    for (const check of DEAR) {
      if (!margins.isAsked(check)) figures.setUnasked(scratch, check);
      else if (!this.isFarOff(check) && !this.isRoughHole(check)) {
        figures.dear(margin, check, speaker, mount, option, raise);
        scratch.setMargin(check, margin.value, margin.expanded);
      }
      if (check !== CHECK_AT.obstacles && this.hasLost(parts)) return false;
    }
    return true;
  }

  /** A hole that hits whatever its interval: the interval is worked out only if it decides in the end. */
  private isRoughHole(check: number): boolean {
    if (check !== CHECK_AT.hole) return false;
    const { upperMm } = this.bounds[check] as BoundsMm;
    const widest = this.widestShortMm(check);
    if (upperMm + widest > 0) return false;
    this.scratch.isHoleRough = true;
    this.scratch.setMargin(check, upperMm, widest);
    return true;
  }

  /** Whether a bound shows that the check cannot take part in the answer; it then stands in the scratch as no matter. */
  private isFarOff(check: number): boolean {
    const { lowerMm } = this.bounds[check] as BoundsMm;
    if (!(lowerMm - this.leastThatMatters(check) > SAME_FIGURE)) return false;
    this.scratch.setFact(check, CLEARS);
    return true;
  }

  /** A margin above this changes nothing of the stack in the scratch, mm: it misses by less, or is surer, than others. */
  private leastThatMatters(check: number): number {
    const { gravest, worstMm, leastSureness } = this.scratch;
    if (gravest === HITS || this.surelyMm < 0) return Math.min(worstMm, this.surelyMm);
    if (gravest === HOLD) return 0;
    return leastSureness > 0 ? leastSureness * this.widestMm(check) : 0;
  }

  /** Whether what is known of the stack in the scratch already keeps it from being its speaker's best. */
  private hasLost(parts: number): boolean {
    if (this.bestMount === NONE) return false;
    const { scratch, best } = this;
    if (scratch.gravest !== best.gravest) return scratch.gravest > best.gravest;
    if (scratch.gravest === HITS) return this.isNoBetter(scratch.worstMm, best.worstMm, parts);
    if (scratch.gravest === MEASURE) return this.isNoBetter(scratch.leastSureness, best.leastSureness, parts);
    return parts > this.bestParts;
  }

  private judgePlainly(mount: ClassMount, spacer: FitSpacer | null): void {
    const { checks } = judgeStack(this.index, this.rules, this.facts, this.speaker, mount, spacer);
    checks.forEach((check, at) => {
      this.scratch.setCheck(at, check);
    });
  }

  private keepIfBetter(
    mountAt: number,
    optionAt: number,
    mount: ClassMount,
    option: SpacerOption | null,
    parts: number,
  ): void {
    const { best, scratch } = this;
    const cost = this.figures.costOf(this.speaker, mount, option);
    if (this.bestMount !== NONE && !this.isBetter(mount, option?.spacer ?? null, parts, cost)) return;
    this.best = scratch;
    this.scratch = best;
    this.bestMount = mountAt;
    this.bestSpacer = optionAt;
    this.bestParts = parts;
    this.bestCost = cost;
  }

  /** As `compareScores`; the ids are only put together where all else is equal. */
  private isBetter(mount: ClassMount, spacer: FitSpacer | null, parts: number, cost: number): boolean {
    const { scratch, best } = this;
    if (scratch.gravest !== best.gravest) return scratch.gravest < best.gravest;
    const off =
      scratch.gravest === MEASURE
        ? figureOf(best.leastSureness) - figureOf(scratch.leastSureness)
        : scratch.gravest === HITS
          ? figureOf(best.worstMm) - figureOf(scratch.worstMm)
          : 0;
    if (off !== 0) return off < 0;
    if (parts !== this.bestParts) return parts < this.bestParts;
    if (cost !== this.bestCost) return cost < this.bestCost;
    const before = this.facts.mountsOf(this.speaker)[this.bestMount] as ClassMount;
    const beforeSpacer = this.facts.spacers[this.bestSpacer]?.spacer ?? null;
    return mount.idsWith(spacer) < before.idsWith(beforeSpacer);
  }

  /** Works out the interval of the best stack's hole, which decides. */
  private refineHole(): void {
    const { best, margin, facts } = this;
    const mount = facts.mountsOf(this.speaker)[this.bestMount] as ClassMount;
    const option = facts.spacers[this.bestSpacer] ?? null;
    setRaise(this.raise, mount, option);
    this.margins.hole.holes(margin, this.speaker, mount, option?.spacer ?? null, this.raise);
    best.setMargin(CHECK_AT.hole, margin.value, margin.expanded);
    best.isHoleRough = false;
  }

  private writeDown(): void {
    const { best, standings, speaker } = this;
    const at = best.decidingCheck();
    if (at === CHECK_AT.hole && best.isHoleRough) this.refineHole();
    const hasMargin = best.hasMargin[at] === 1;
    standings.verdict[speaker] = best.gravest;
    standings.decidedBy[speaker] = at;
    standings.marginMm[speaker] = hasMargin ? (best.value[at] as number) : Number.NaN;
    standings.expandedMm[speaker] = hasMargin ? (best.expanded[at] as number) : Number.NaN;
    standings.mount[speaker] = this.bestMount;
    standings.spacer[speaker] = this.bestSpacer;
    standings.worstMm[speaker] = best.worstMm;
    standings.leastSureness[speaker] = best.leastSureness;
    standings.parts[speaker] = this.bestParts;
    standings.costMinor[speaker] = this.bestCost;
    standings.stacks[speaker] = this.facts.stackCounts[this.index.speakerClass[speaker] as number] as number;
  }

  private widestMm(check: number): number {
    return this.known(this.widest, check, false);
  }

  /** The widest interval of a margin that is not above 0, mm. */
  private widestShortMm(check: number): number {
    return this.known(this.widestShort, check, !(check === CHECK_AT.hole && this.isAslant));
  }

  private known(all: Float64Array, check: number, isShort: boolean): number {
    // A hole has two of them: straight through, and aslant.
    if (check === CHECK_AT.hole) return this.margins.widestMm(check, this.speaker, isShort);
    let mm = all[check] as number;
    if (Number.isNaN(mm)) {
      mm = this.margins.widestMm(check, this.speaker, isShort);
      all[check] = mm;
    }
    return mm;
  }
}
