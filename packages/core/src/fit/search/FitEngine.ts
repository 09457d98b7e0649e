/**
 * Ranks a whole catalogue for one opening: for every speaker the best of all stacks that `stacks` names at the best of all
 * their placements, by the one order of `Ranking`.
 *
 * Stacks come simplest first, and one is let go as soon as it can no longer be the best: by the front alone, whose margin
 * is a sum; by its screws; by the deepest point of the body, which is no nearer to the glass than the whole; by the spans of
 * what has to pass and of what has to cover; then check by check, the cheap ones first. Nothing is kept from opening to opening but what mates with what.
 *
 * What it says is held against a ranking that judges everything, by a test and by the benchmark.
 */

import { sheetDepthMm } from '../../geometry';
import { ROUNDING_MM } from '../../math';
import type { HarnessAdapter } from '../../wiring';
import { type CheckId, VERDICT_GRAVITY, VERDICTS_BY_RANK, type Verdict } from '../Check';
import type { Judgement } from '../Judgement';
import { harnessFor } from '../judgeCandidate';
import type { LayerShape } from '../layout/LayerShape';
import type { SpeakerShape } from '../layout/SpeakerShape';
import { behindClearanceMm } from '../margins/checks/depth';
import { frontAskedMm } from '../margins/checks/front';
import type { Placement } from '../mates/placements';
import type { Candidate, FitLayer, FitOpening, FitRules, FitSpacer, FitSpeaker } from '../shapes';
import type { CatalogueIndex, SpeakerClass } from './CatalogueIndex';
import { type Chain, Chains } from './Chains';
import { Judge, NEARLY_SURE } from './Judge';
import { emptyMm, plateRoomMm } from './plateRoom';
import {
  compareScores,
  type FirstLook,
  figureOf,
  listedMm,
  type RankedSpeaker,
  type Ranking,
  SAME_FIGURE,
  type StackScore,
} from './Ranking';
import { Standings } from './Standings';
import { coverOf, roomOf, type Stack, toStacks } from './stackShapes';
import { moreRingStacks, ringStacks, ringsFor } from './stacks';
import { WidestIntervals } from './WidestIntervals';

/** The best stack of a speaker so far. */
type Best = {
  readonly score: StackScore;
  readonly layers: readonly FitLayer[];
  readonly chain: Chain;
  readonly placement: Placement;
  readonly decidedBy: CheckId;
  readonly marginMm: number | null;
  readonly expandedMm: number | null;
};

export type RankOptions = {
  /** False where of what hits nobody wants to know by how much at the least: while a hand moves. */
  readonly figures: boolean;
};

export class FitEngine {
  readonly standings: Standings;
  private readonly chains: Chains;
  private readonly judge: Judge;
  private readonly stacks = new WeakMap<Chain, readonly Stack[]>();
  private readonly moreStacks = new WeakMap<Chain, readonly Stack[]>();
  private readonly rings: readonly FitSpacer[];
  private readonly widest: WidestIntervals;
  private readonly bests: (Best | null)[];
  private readonly harnesses = new Map<FitSpeaker['terminals'], readonly HarnessAdapter[] | null>();
  private opening: FitOpening | null = null;
  private isWorkedOut = false;
  /** How many stacks the last ranking was over. */
  stacksJudged = 0;

  constructor(
    readonly index: CatalogueIndex,
    readonly rules: FitRules,
  ) {
    this.standings = new Standings(index.nameRank);
    this.chains = new Chains(index, rules);
    this.judge = new Judge(rules);
    this.rings = ringsFor(index.catalogue, rules);
    this.widest = new WidestIntervals(rules, [...index.catalogue.brackets, ...this.rings]);
    this.bests = new Array(index.speakers.length).fill(null);
  }

  /** Speakers by their place in the index, best first. */
  get order(): Int32Array {
    return this.standings.order;
  }

  get verdict(): Uint8Array {
    return this.standings.verdict;
  }

  /** Judges every speaker for an opening and puts them in order; afterwards the standings are the answer. */
  rank(opening: FitOpening, { figures }: RankOptions = { figures: true }): void {
    const { index, standings } = this;
    this.opening = opening;
    this.harnesses.clear();
    standings.setOwnSize(index, opening.nominalSize);
    const chains = this.chains.forOpening(opening);
    this.isWorkedOut = false;
    if (figures) this.workOut(opening);
    this.stacksJudged = 0;
    index.classes.forEach((each, at) => {
      this.rankClass(opening, each, chains[at] as readonly Chain[], figures);
    });
    standings.sort();
  }

  private rankClass(
    opening: FitOpening,
    { first, members }: SpeakerClass,
    chains: readonly Chain[],
    figures: boolean,
  ): void {
    this.stacksJudged += members.length * chains.reduce((sum, chain) => sum + this.stacksOf(opening, chain).length, 0);
    if (!figures && chains[0]?.isHopeless) {
      for (const speaker of members) this.noteMiss(speaker);
      return;
    }
    const harness = this.harnessOf(opening, first);
    const harnessMinor = harness?.reduce((sum, each) => sum + each.pieceCostMinor, 0) ?? 0;
    const leastRaisedMm = chains.reduce((least, { raisedMm }) => Math.min(least, raisedMm), Number.POSITIVE_INFINITY);
    let facts: Verdict | null = null;
    for (const speaker of members) {
      if (!figures && this.hitsInFront(opening, speaker, leastRaisedMm)) {
        this.noteMiss(speaker);
        continue;
      }
      if (facts === null) {
        this.workOut(opening);
        this.judge.view.harness = harness;
        this.judge.view.setSpeaker(first);
        facts = this.judge.askConnector();
      }
      const search = new Search(opening, speaker, facts, harnessMinor, figures);
      this.search(search, chains);
      const { best } = search;
      this.standings.note(speaker, best ? { ...best.score, worstMm: this.listedMm(best, speaker) } : UNKNOWN_MISS);
      this.bests[speaker] = best;
    }
  }

  /** It hits, and of by how much nobody asked; what it had in another opening is not its best here. */
  private noteMiss(speaker: number): void {
    this.standings.note(speaker, UNKNOWN_MISS);
    this.bests[speaker] = null;
  }

  /** What an opening is in numbers costs more than to see that no screws mate, or that the front is hit. */
  private workOut(opening: FitOpening): void {
    if (this.isWorkedOut) return;
    this.judge.view.setOpening(opening);
    this.widest.setOpening(this.judge.view.opening);
    this.isWorkedOut = true;
  }

  /** Whether no stack leaves room in front, by its lowest brackets alone. */
  private hitsInFront(opening: FitOpening, speaker: number, raisedMm: number): boolean {
    const { frontGap } = opening;
    if (!frontGap) return false;
    const shape = this.index.shapes[speaker] as SpeakerShape;
    const leftMm = this.frontLeftMm(opening, frontGap.valueMm, speaker) - raisedMm;
    return this.widest.hitsInFront(frontGap, shape, leftMm);
  }

  /** Of the front gap what a speaker that stands on the metal leaves, mm. */
  private frontLeftMm(opening: FitOpening, gapMm: number, speaker: number): number {
    return gapMm - frontAskedMm(opening, this.rules) - (this.index.frontMm[speaker] as number);
  }

  private listedMm({ score, decidedBy }: Best, speaker: number): number {
    const empty = emptyMm(this.judge.view.opening, this.index.shapes[speaker] as SpeakerShape);
    return listedMm(score, this.plateMm(score.verdict, decidedBy, speaker), empty);
  }

  /** null where it is not the screws that are in the way. */
  private plateMm(verdict: Verdict, decidedBy: CheckId, speaker: number): number | null {
    if (verdict !== 'hits' || decidedBy !== 'bolts') return null;
    return plateRoomMm(this.judge.view.opening, this.index.shapes[speaker] as SpeakerShape, this.rules);
  }

  /** Tries stacks until none of those that are left can be better. */
  private search(search: Search, chains: readonly Chain[]): void {
    const { judge, index } = this;
    const { speaker, opening } = search;
    const shape = index.shapes[speaker] as SpeakerShape;
    judge.view.setSpeaker(shape.speaker, shape);
    search.widestFrontMm = this.widest.frontMm(shape, search.speakerFront);
    search.widestDepthMm = this.widest.depthMm(shape);
    search.widestHoleMm = this.widest.holeMm(shape);
    search.widestCoverMm = this.widest.coverMm(shape);
    const frontLeftMm = opening.frontGap
      ? this.frontLeftMm(opening, opening.frontGap.valueMm, speaker)
      : Number.POSITIVE_INFINITY;
    for (const chain of chains) {
      const depthLeftMm = this.depthLeftMm(search, chain);
      for (const stack of this.stacksOf(opening, chain)) this.tryStack(search, chain, stack, frontLeftMm, depthLeftMm);
    }
    // More elaborate ones only in order to clear.
    if (search.best?.score.verdict === 'clears' || search.facts !== 'clears') return;
    for (const chain of chains) {
      const depthLeftMm = this.depthLeftMm(search, chain);
      if (chain.raisedMm > frontLeftMm || -depthLeftMm > frontLeftMm) continue;
      for (const stack of this.moreStacksOf(opening, chain)) {
        if (stack.raisedMm <= frontLeftMm && stack.raisedMm >= -depthLeftMm)
          this.tryStack(search, chain, stack, frontLeftMm, depthLeftMm, 'clears');
      }
    }
  }

  private tryStack(
    search: Search,
    chain: Chain,
    stack: Stack,
    frontLeftMm: number,
    depthLeftMm: number,
    most: Verdict = 'hits',
  ): void {
    const { best } = search;
    const shape = this.index.shapes[search.speaker] as SpeakerShape;
    const costMinor = stack.costMinor + search.harnessMinor + (this.index.costMinor[search.speaker] as number);
    const easier = !best || isEasier(best.score, stack, costMinor);
    const limit = limitFor(search, easier, most);
    if (!limit) return;
    const screwsMm = chain.screwsUpperMm;
    if (screwsMm < 0 && isLost(search, screwsMm, 0, limit, easier)) return;
    const frontMm = frontLeftMm - stack.raisedMm;
    if (frontMm < search.widestFrontMm && this.losesFront(search, frontMm, stack, limit, easier)) return;
    const depthMm = depthLeftMm + stack.raisedMm;
    if (depthMm < 0 && isLost(search, depthMm, search.widestDepthMm, limit, easier)) return;
    const failsMm = limit === 'clears' ? Math.max(search.centredFailsMm, search.centredHitsMm) : search.centredHitsMm;
    if (stack.raisedMm < failsMm - this.widest.stackMm && limit !== 'hits' && isCentred(chain)) return;
    if (this.losesHole(search, shape, chain, stack, limit, easier)) return;
    const coverMm = this.coverUpperMm(shape, stack);
    if (coverMm < 0 && isLost(search, coverMm, search.widestCoverMm, limit, easier)) return;
    const { judge } = this;
    judge.view.setShapes(stack.shapes, chain.joints);
    // What misses by as much, but for rounding, may be cheaper.
    judge.leastMm = best?.score.verdict === 'hits' ? best.score.worstMm - SAME_FIGURE : Number.NEGATIVE_INFINITY;
    const placement = judge.bestPlacement(chain.placements, limit);
    if (!placement) {
      // Raising a body takes it away from what is behind, and out of the hole: what fails there fails at every lower height.
      if (isCentred(chain) && judge.failsBehind) {
        if (judge.verdict === 'hits') search.centredHitsMm = Math.max(search.centredHitsMm, stack.raisedMm);
        else search.centredFailsMm = Math.max(search.centredFailsMm, stack.raisedMm);
      }
      return;
    }
    if (chain.placements.length > 1) {
      judge.view.setPlacement(placement);
      judge.ask(limit);
    }
    const { verdict, worstMm, leastSureness } = judge;
    const score = { verdict, worstMm, leastSureness, addedParts: stack.parts, costMinor, ids: stack.ids };
    if (best && compareScores(score, best.score) >= 0) return;
    const decidedBy = judge.decidedBy();
    const { hasMargin, valueMm, expandedMm } = judge.gapsOf(decidedBy);
    search.best = {
      score,
      layers: stack.layers,
      chain,
      placement,
      decidedBy,
      marginMm: hasMargin ? valueMm : null,
      expandedMm: hasMargin ? expandedMm : null,
    };
  }

  /** Where shoulders that lie less deep than was taken would let the body through, its interval is as wide as what they let through. */
  private losesHole(
    search: Search,
    shape: SpeakerShape,
    chain: Chain,
    stack: Stack,
    limit: Verdict,
    easier: boolean,
  ): boolean {
    const holeMm = this.holeUpperMm(shape, chain, stack, 0);
    if (holeMm >= 0) return false;
    const isEased = limit !== 'clears' && this.holeUpperMm(shape, chain, stack, shape.shoulderReachMm) > holeMm;
    return !isEased && isLost(search, holeMm, search.widestHoleMm, limit, easier);
  }

  /**
   * No margin in a hole of the stack or of the metal is above this, however the speaker is turned, mm.
   *
   * @param easedMm how much less deep its shoulders are taken to lie
   */
  private holeUpperMm(
    shape: SpeakerShape,
    chain: Chain,
    { shapes, raisedMm: raised, aboveMm }: Stack,
    easedMm: number,
  ): number {
    const { hole, holeSpan } = this.judge.view.opening;
    let least = Number.POSITIVE_INFINITY;
    for (let at = 0; at < shapes.length; at++) {
      const { innerSpan } = shapes[at] as LayerShape;
      if (innerSpan) least = Math.min(least, roomOf(innerSpan, shape, (aboveMm[at] as number) + easedMm));
    }
    if (!holeSpan) return least;
    const offMm = hole?.outline.kind === 'circle' ? chain.offAxisMm : 0;
    return Math.min(least, roomOf(holeSpan, shape, raised + easedMm) - offMm - this.rules.clearancesMm.hole);
  }

  /**
   * No cover of the stack is above this, however its parts are turned, mm: a hole with a band of that width all round is
   * nowhere longer, and at its narrowest no wider, than what covers it.
   */
  private coverUpperMm({ flangeSpan }: SpeakerShape, { coverMm, lowest, highest }: Stack): number {
    const { holeSpan } = this.judge.view.opening;
    const { cover } = this.rules.clearancesMm;
    const onMetal = coverOf(holeSpan, lowest ? lowest.outerSpan : flangeSpan);
    const onTop = highest ? coverOf(highest.innerSpan, flangeSpan) : Number.POSITIVE_INFINITY;
    return Math.min(coverMm, onMetal, onTop) - cover;
  }

  /** The front margin is a sum, and costs little to know for certain. */
  private losesFront(search: Search, frontMm: number, stack: Stack, limit: Verdict, easier: boolean): boolean {
    const expandedMm = this.widest.frontIntervalMm(search.speakerFront, stack.heightVariance, stack.heightFourth);
    if (limit === 'clears') return frontMm < NEARLY_SURE * expandedMm;
    return isLost(search, frontMm, expandedMm + ROUNDING_MM, limit, easier);
  }

  /** No depth margin on this chain is above this by more than the stack is high, mm: the deepest face on the axis, straight to the sheet. */
  private depthLeftMm({ opening, speaker }: Search, { placements }: Chain): number {
    const { sheet } = this.judge.view.opening;
    if (!sheet) return Number.POSITIVE_INFINITY;
    let deepest = Number.NEGATIVE_INFINITY;
    for (const { at } of placements) {
      if (sheet.lowerEdgeMm !== null && at.yMm < sheet.lowerEdgeMm) return Number.POSITIVE_INFINITY;
      deepest = Math.max(deepest, sheetDepthMm(sheet, at.xMm, at.yMm));
    }
    return deepest - (this.index.depthMm[speaker] as number) - behindClearanceMm(opening.behind, this.rules);
  }

  private stacksOf(opening: FitOpening, chain: Chain): readonly Stack[] {
    let stacks = this.stacks.get(chain);
    if (!stacks) {
      stacks = toStacks([chain.brackets, ...ringStacks(opening, chain.brackets, this.rings, this.rules)]);
      this.stacks.set(chain, stacks);
    }
    return stacks;
  }

  private moreStacksOf(opening: FitOpening, chain: Chain): readonly Stack[] {
    let stacks = this.moreStacks.get(chain);
    if (!stacks) {
      stacks = toStacks(moreRingStacks(opening, chain.brackets, this.rings, this.rules));
      this.moreStacks.set(chain, stacks);
    }
    return stacks;
  }

  private harnessOf(opening: FitOpening, speaker: FitSpeaker): readonly HarnessAdapter[] | null {
    let harness = this.harnesses.get(speaker.terminals);
    if (harness === undefined) {
      harness = harnessFor(opening, speaker, this.index.catalogue.adapters);
      this.harnesses.set(speaker.terminals, harness);
    }
    return harness;
  }

  /** What a screen shows while a hand still moves. @param most so many of what clears, best first */
  look(most: number): FirstLook {
    const { standings, stacksJudged } = this;
    return {
      verdicts: standings.verdict.slice(),
      best: Array.from(standings.clearing(most), (at) => this.rankedSpeaker(at)),
      stacksJudged,
    };
  }

  /** The candidate that stands for a speaker. */
  candidateOf(speaker: number): Candidate {
    return { speaker: this.index.speakers[speaker] as FitSpeaker, layers: this.bests[speaker]?.layers ?? [] };
  }

  /** Every check of a speaker's best stack, in full. */
  judgementOf(speaker: number): Judgement {
    const { opening, judge } = this;
    const best = this.bests[speaker];
    if (!opening || !best) throw new Error('FitEngine.judgementOf: expected a ranking with all figures before it');
    const { view } = judge;
    const each = this.index.speakers[speaker] as FitSpeaker;
    view.setOpening(opening);
    view.setSpeaker(each, this.index.shapes[speaker]);
    view.setStack(best.layers, best.chain.joints);
    view.harness = this.harnessOf(opening, each);
    view.setPlacement(best.placement);
    judge.ask();
    return judge.tell('mm');
  }

  rankedSpeaker(speaker: number): RankedSpeaker {
    const best = this.bests[speaker];
    if (!best) throw new Error('FitEngine.rankedSpeaker: expected a speaker that has been ranked');
    const { score, layers, decidedBy, marginMm, expandedMm } = best;
    return {
      speakerId: (this.index.speakers[speaker] as FitSpeaker).id,
      best: {
        layerIds: layers.map(({ id }) => id),
        verdict: score.verdict,
        decidedBy,
        addedParts: score.addedParts,
        costMinor: score.costMinor,
        marginMm,
        expandedMm,
        plateMm: this.plateMm(score.verdict, decidedBy, speaker),
      },
    };
  }

  ranking(): Ranking {
    return { speakers: Array.from(this.order, (at) => this.rankedSpeaker(at)), stacksJudged: this.stacksJudged };
  }
}

/**
 * Whether a margin that is not above a figure below zero rules a stack out: it does not clear; where its widest interval
 * does not reach zero it hits, and of what hits only one that misses less than the best is of interest.
 */
function isLost(
  { best, figures }: Search,
  upperMm: number,
  widestMm: number,
  limit: Verdict,
  easier: boolean,
): boolean {
  if (limit === 'clears') return true;
  if (upperMm > -widestMm) return false;
  if (limit !== 'hits' || !figures) return true;
  if (!best) return false;
  const off = figureOf(upperMm) - figureOf(best.score.worstMm);
  return off < 0 || (off === 0 && !easier);
}

class Search {
  best: Best | null = null;
  /** The widest intervals that front and depth margins of the speaker can have, mm. */
  widestFrontMm = 0;
  widestDepthMm = 0;
  widestHoleMm = 0;
  widestCoverMm = 0;
  /** Of flange and front height: variance, mm², and the sum of the squares of its parts. */
  readonly speakerFront = { variance: 0, fourth: 0 };

  /** What stands at the hole's centre and is no higher than this does not clear the glass, or the hole in the metal, mm. */
  centredFailsMm = Number.NEGATIVE_INFINITY;
  /** And hits there. */
  centredHitsMm = Number.NEGATIVE_INFINITY;

  constructor(
    readonly opening: FitOpening,
    readonly speaker: number,
    /** The gravest of the facts that no stack changes. */
    readonly facts: Verdict,
    readonly harnessMinor: number,
    readonly figures: boolean,
  ) {}
}

/** Whether a speaker on this chain stands at the hole's centre, and looks the same at every turn. */
function isCentred({ placements }: Chain): boolean {
  const [first, ...others] = placements;
  return first !== undefined && others.length === 0 && first.at.xMm === 0 && first.at.yMm === 0;
}

/** Of what hits by how much nobody asked. */
const UNKNOWN_MISS: StackScore = {
  verdict: 'hits',
  addedParts: 0,
  costMinor: 0,
  worstMm: Number.NEGATIVE_INFINITY,
  leastSureness: 0,
  ids: '',
};

function isEasier({ addedParts: most, costMinor: cost, ids: before }: StackScore, stack: Stack, costMinor: number) {
  const { parts, ids } = stack;
  if (parts !== most) return parts < most;
  return costMinor !== cost ? costMinor < cost : ids < before;
}

/** The gravest verdict with which a stack would still be better than the best so far; null where none would. */
function limitFor({ best, figures }: Search, easier: boolean, most: Verdict): Verdict | null {
  // While a hand moves, of what is open or hits one stack is as good as another.
  if (!figures && (!best || best.score.verdict === 'hits'))
    return VERDICT_GRAVITY[most] < VERDICT_GRAVITY.hold ? most : 'hold';
  if (!best) return most;
  const { score } = best;
  if (!figures && score.verdict === 'measure') return 'clears';
  const hangsOnFigures = score.verdict === 'measure' || score.verdict === 'hits';
  const limit = easier || hangsOnFigures ? score.verdict : VERDICTS_BY_RANK[VERDICT_GRAVITY[score.verdict] - 1];
  if (!limit) return null;
  return VERDICT_GRAVITY[limit] < VERDICT_GRAVITY[most] ? limit : most;
}
