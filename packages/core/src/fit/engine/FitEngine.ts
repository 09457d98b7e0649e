/**
 * Ranks a whole catalogue for one opening while a hand moves: what `judgeCandidate` says of every stack that
 * `stackSearch` names, found through classes of bolt patterns, flat arrays and early exits, and kept where a changed
 * dimension does not reach it.
 *
 * How it is quick. Joints and chains belong to classes of patterns, not to parts, and change with the screws only. The
 * margins of stacks without a spacer are kept in columns, one for each dear check; a changed opening is compared group by
 * group (screws, hole, depths, obstacles) and what a change does not reach is read again. The cheap checks come first, and
 * a stack is let go as soon as it can no longer beat the best of its speaker. Where a part already hits by so much, a
 * bound of the dear distances is enough to know that nothing misses by more. The order is kept from ranking to ranking: a
 * list that is nearly sorted is sorted in one pass.
 *
 * What it says is held against the plain ranking, check for check, by a test and by the benchmark.
 */

import { toMargin } from '../../uncertainty/Margin';
import { findHarnessChain } from '../../wiring/findHarnessChain';
import { CHECK_IDS } from '../Check';
import { ringRoomOf } from '../checks/boltsCheck';
import { chimeCheck } from '../checks/chimeCheck';
import { connectorCheck } from '../checks/connectorCheck';
import { type Judgement, judgeWithHarness } from '../judgeCandidate';
import { type RankedSpeaker, type Ranking, SAME_FIGURE, stackIds } from '../Ranking';
import type { Candidate, FitHarnessAdapter, FitOpening, FitRules, FitSpacer, FitSpeaker, Terminals } from '../shapes';
import { addedParts, madeRings } from '../stackSearch';
import type { CatalogueIndex } from './CatalogueIndex';
import { GRAVITY_OF } from './CheckFigures';
import { type ClassMount, MountIndex, mountsKey } from './MountIndex';
import { CHECK_AT, CLEARS, HITS, isWorseAlike, MEASURE, Scratch, surenessOf, VERDICT_OF, verdictOf } from './Scratch';
import { type MarginMm, StackMargins } from './StackMargins';

/** A spacer as the engine tries it. */
type SpacerOption = {
  readonly spacer: FitSpacer;
  readonly heightMm: number;
  readonly variance: number;
  readonly fourth: number;
  readonly parts: number;
  readonly ringValue: number;
  readonly ringExpanded: number;
};

type TerminalFacts = {
  readonly connector: number;
  readonly chain: readonly FitHarnessAdapter[] | null;
  readonly costMinor: number;
};

const NO_SPACER = -1;
const NONE = -1;

/** Margins of the bare stacks for one check, and with which state of the opening each was worked out. */
class Column {
  /** Goes up whenever what the check depends on changes. */
  now = 1;
  value = new Float64Array(0);
  expanded = new Float64Array(0);
  made = new Int32Array(0);

  resize(stacks: number): void {
    this.value = new Float64Array(stacks);
    this.expanded = new Float64Array(stacks);
    this.made = new Int32Array(stacks);
  }
}

export class FitEngine {
  private readonly margins: StackMargins;
  private readonly keys = { mounts: '', hole: '', depth: '', obstacles: '', rest: '' };
  private mounts: readonly (readonly ClassMount[])[] = [];
  private spacers: readonly SpacerOption[] = [];
  private opening: FitOpening | null = null;

  /** First bare stack of each speaker in the columns. */
  private firstStack = new Int32Array(0);
  private readonly columns = { hole: new Column(), depth: new Column(), obstacles: new Column() };
  /** Spacers that may go under each mount of each class, counted. */
  private stackCounts = new Int32Array(0);
  private readonly facts = new Map<Terminals, TerminalFacts>();
  private factsOf: readonly TerminalFacts[] = [];
  private chime = CLEARS;
  private ownSize: string | null = null;
  private wiringKey = '';
  private mostRaisedVariance = 0;

  /** The best stack of each speaker: mount of its class, spacer option or none, and what decides. */
  readonly verdict: Uint8Array;
  readonly decidedBy: Uint8Array;
  readonly marginMm: Float64Array;
  readonly expandedMm: Float64Array;
  private readonly bestMount: Int32Array;
  private readonly bestSpacer: Int32Array;
  private readonly worstMm: Float64Array;
  private readonly leastSureness: Float64Array;
  private readonly parts: Uint8Array;
  private readonly cost: Float64Array;
  private readonly stacks: Int32Array;
  private readonly own: Uint8Array;
  /** How much nearer what stands behind may come before it takes part in a speaker's answer, mm; 0 where it does. */
  private readonly depthSlack: Float64Array;
  /** The speakers, best first. */
  order: number[];

  private scratch = new Scratch();
  private best = new Scratch();
  private readonly margin: MarginMm = { value: 0, expanded: 0 };

  /**
   * @param mountIndex shared by the engines of one vehicle: what mates with what is found once
   */
  constructor(
    readonly index: CatalogueIndex,
    readonly rules: FitRules,
    private readonly mountIndex: MountIndex = new MountIndex(index, rules),
  ) {
    const count = index.speakers.length;
    this.margins = new StackMargins(index, rules);
    this.verdict = new Uint8Array(count);
    this.decidedBy = new Uint8Array(count);
    this.marginMm = new Float64Array(count);
    this.expandedMm = new Float64Array(count);
    this.bestMount = new Int32Array(count);
    this.bestSpacer = new Int32Array(count);
    this.worstMm = new Float64Array(count);
    this.leastSureness = new Float64Array(count);
    this.parts = new Uint8Array(count);
    this.cost = new Float64Array(count);
    this.stacks = new Int32Array(count);
    this.own = new Uint8Array(count);
    this.depthSlack = new Float64Array(count);
    this.order = Array.from({ length: count }, (_, at) => at);
  }

  /** Judges every speaker for an opening and puts them in order; afterwards the columns and `order` are the answer. */
  rank(opening: FitOpening): void {
    const movedMm = this.takeOver(opening);
    const { depthSlack } = this;
    const { speakers } = this.index;
    for (let at = 0; at < speakers.length; at++) {
      // Where only what stands behind has moved, and by less than it was farther off than what decides, nothing changes.
      if ((depthSlack[at] as number) > movedMm) depthSlack[at] = (depthSlack[at] as number) - movedMm;
      else this.judgeSpeaker(at);
    }
    this.sort();
  }

  /** The candidate that stands for a speaker. */
  candidateOf(speaker: number): Candidate {
    const mount = this.mountOf(speaker);
    const option = this.spacers[this.bestSpacer[speaker] as number];
    return {
      speaker: this.index.speakers[speaker] as FitSpeaker,
      brackets: mount.brackets,
      spacer: option?.spacer ?? null,
    };
  }

  /** Every check of a speaker's best stack, in full. */
  judgementOf(speaker: number): Judgement {
    if (!this.opening) throw new Error('FitEngine.judgementOf: expected a ranking before it');
    const candidate = this.candidateOf(speaker);
    const chain = this.facts.get(candidate.speaker.terminals)?.chain ?? null;
    return judgeWithHarness(this.opening, candidate, chain, this.rules, 'mm');
  }

  rankedSpeaker(speaker: number): RankedSpeaker {
    const { brackets, spacer } = this.candidateOf(speaker);
    const decidedBy = this.decidedBy[speaker] as number;
    const marginMm = this.marginMm[speaker] as number;
    return {
      speakerId: (this.index.speakers[speaker] as FitSpeaker).id,
      stacksJudged: this.stacks[speaker] as number,
      best: {
        bracketIds: brackets.map(({ id }) => id),
        spacerId: spacer?.id ?? null,
        verdict: VERDICT_OF[this.verdict[speaker] as number] ?? 'hits',
        decidedBy: CHECK_IDS[decidedBy] ?? 'hole',
        addedParts: this.parts[speaker] as number,
        costMinor: this.cost[speaker] as number,
        marginMm: Number.isNaN(marginMm) ? null : marginMm,
        expandedMm: Number.isNaN(marginMm) ? null : (this.expandedMm[speaker] as number),
      },
    };
  }

  ranking(): Ranking {
    return {
      speakers: this.order.map((at) => this.rankedSpeaker(at)),
      stacksJudged: this.stacks.reduce((sum, each) => sum + each, 0),
    };
  }

  private mountOf(speaker: number): ClassMount {
    const list = this.mounts[this.index.speakerClass[speaker] as number];
    const mount = list?.[this.bestMount[speaker] as number];
    if (!mount) throw new Error(`FitEngine: expected a mount for speaker ${speaker}`);
    return mount;
  }

  /**
   * Notes what has changed since the last opening, and lets go of what that reaches.
   *
   * @returns how far what stands behind has moved where nothing else has changed, mm; Infinity otherwise
   */
  private takeOver(opening: FitOpening): number {
    const { keys, columns } = this;
    const before = this.margins.fitted;
    const next = {
      mounts: mountsKey(opening),
      hole: JSON.stringify([opening.hole, opening.recess, opening.wallMm, opening.material]),
      depth: JSON.stringify([opening.behind, opening.depths, opening.sheet, opening.lowerEdge]),
      obstacles: JSON.stringify(opening.obstacles),
      rest: JSON.stringify([opening.frontGap, opening.wiring, opening.secondPlug, opening.nominalSize]),
    };
    const onlyDepth = (['mounts', 'hole', 'obstacles', 'rest'] as const).every((key) => next[key] === keys[key]);
    this.opening = opening;
    this.margins.setOpening(opening);
    if (next.mounts !== keys.mounts) {
      this.findMounts(opening);
      this.spacers = this.spacerOptions(opening);
      this.countStacks();
    }
    for (const check of ['hole', 'depth', 'obstacles'] as const) {
      if (next[check] !== keys[check]) columns[check].now++;
    }
    this.readFacts(opening);
    this.noteOwnSize(opening);
    const depthChanged = next.depth !== keys.depth;
    Object.assign(keys, next);
    if (!onlyDepth || this.margins.needsChecks) return Number.POSITIVE_INFINITY;
    return depthChanged ? this.margins.sheetMovedMm(before) : 0;
  }

  /** New chains; the columns stay where the same chains sit in the same pose. */
  private findMounts(opening: FitOpening): void {
    const before = this.mounts;
    this.mounts = this.mountIndex.mountsFor(opening);
    if (before.length === this.mounts.length && before.every((list, at) => sitAlike(list, this.mounts[at] ?? [])))
      return;
    const { speakerClass, speakers } = this.index;
    this.firstStack = new Int32Array(speakers.length + 1);
    let at = 0;
    for (let speaker = 0; speaker < speakers.length; speaker++) {
      this.firstStack[speaker] = at;
      at += this.mounts[speakerClass[speaker] as number]?.length ?? 0;
    }
    this.firstStack[speakers.length] = at;
    for (const column of Object.values(this.columns)) column.resize(at);
  }

  private countStacks(): void {
    this.stackCounts = Int32Array.from(this.mounts, (mounts) =>
      mounts.reduce((sum, mount) => sum + 1 + (mount.bolts.gravity === HITS ? 0 : this.suiting(mount)), 0),
    );
    const mostOf = (list: readonly number[]) => list.reduce((most, each) => Math.max(most, each), 0);
    this.mostRaisedVariance =
      mostOf(this.spacers.map(({ variance }) => variance)) +
      mostOf(this.mounts.map((mounts) => mostOf(mounts.map(({ raisedVariance }) => raisedVariance))));
  }

  /** How many spacers, the lowest first, may go under a mount. */
  private suiting({ raisedMm }: ClassMount): number {
    let count = this.spacers.length;
    while (count > 0 && raisedMm + (this.spacers[count - 1] as SpacerOption).heightMm > this.rules.mostRaisedMm)
      count--;
    return count;
  }

  private noteOwnSize({ nominalSize }: FitOpening): void {
    if (nominalSize === this.ownSize) return;
    this.ownSize = nominalSize;
    this.index.speakers.forEach((speaker, at) => {
      this.own[at] = speaker.nominalSize === nominalSize ? 0 : 1;
    });
  }

  private spacerOptions({ bolts }: FitOpening): readonly SpacerOption[] {
    if (!bolts) return [];
    const bought = this.index.catalogue.spacers.flatMap((spacer): readonly SpacerOption[] => {
      const room = ringRoomOf(bolts, spacer);
      if (room.valueMm < 0) return [];
      const { valueMm, expandedMm } = toMargin(room, this.rules.confidence);
      return [{ ...optionOf(spacer), ringValue: valueMm, ringExpanded: expandedMm }];
    });
    return [...bought, ...madeRings(this.rules).map(optionOf)].sort((a, b) => a.heightMm - b.heightMm);
  }

  private readFacts(opening: FitOpening): void {
    this.chime = GRAVITY_OF[chimeCheck(opening.secondPlug).verdict];
    const key = JSON.stringify(opening.wiring);
    if (key === this.wiringKey) return;
    this.wiringKey = key;
    this.facts.clear();
    this.factsOf = this.index.speakers.map((speaker) => {
      let facts = this.facts.get(speaker.terminals);
      if (!facts) {
        facts = terminalFacts(opening, speaker, this.index.catalogue.adapters);
        this.facts.set(speaker.terminals, facts);
      }
      return facts;
    });
  }

  private judgeSpeaker(speaker: number): void {
    const speakerClass = this.index.speakerClass[speaker] as number;
    const mounts = this.mounts[speakerClass] as readonly ClassMount[];
    const plain = this.margins.needsChecks || this.index.hasBoxes[speaker] === 1;
    this.bestMount[speaker] = NONE;
    this.depthSlack[speaker] = plain ? 0 : Number.POSITIVE_INFINITY;
    for (let at = 0; at < mounts.length; at++) {
      const mount = mounts[at] as ClassMount;
      const parts = mount.brackets.length;
      if ((this.bestMount[speaker] as number) !== NONE) {
        // Mounts come with few parts first: what clears with fewer cannot be beaten any more.
        if (this.best.gravest === CLEARS && parts > (this.parts[speaker] as number)) break;
        // Then the lowest first: where the front loses, every higher one does.
        if (this.frontLoses(speaker, mount.raisedMm, parts)) {
          at = (mounts[at] as ClassMount).lastAlike;
          continue;
        }
      }
      this.tryStack(speaker, mount, at, NO_SPACER, plain);
      this.trySpacers(speaker, mount, at, plain);
    }
    this.finish(speaker, this.stackCounts[speakerClass] as number);
  }

  private trySpacers(speaker: number, mount: ClassMount, mountAt: number, plain: boolean): void {
    const { best, spacers } = this;
    const { bolts } = mount;
    const parts = mount.brackets.length + 1;
    if (bolts.gravity === HITS || spacers.length === 0) return;
    if (best.gravest === CLEARS && parts > (this.parts[speaker] as number)) return;
    if (bolts.hasMargin && this.marginLoses(bolts.valueMm, bolts.expandedMm, speaker, parts)) return;
    if (this.frontLoses(speaker, mount.raisedMm + (spacers[0] as SpacerOption).heightMm, parts)) return;
    const fullWidth = this.index.fullWidthTo[speaker] as number;
    const stuckInHole = !plain && this.holeLoses(speaker, mount, mountAt, parts);
    for (let option = 0; option < spacers.length; option++) {
      const raisedMm = mount.raisedMm + (spacers[option] as SpacerOption).heightMm;
      if (raisedMm > this.rules.mostRaisedMm) return;
      if (stuckInHole && raisedMm <= fullWidth) continue;
      // The lowest come first: where the front loses, every higher one does.
      if (this.frontLoses(speaker, raisedMm, parts)) return;
      this.tryStack(speaker, mount, mountAt, option, plain);
    }
  }

  /**
   * Whether the front alone keeps every stack that is at least so high from being the best. Heights differ in how sure
   * they are, so it must lose with the surest and with the least sure of them.
   */
  private frontLoses(speaker: number, raisedMm: number, parts: number): boolean {
    const { margin, margins } = this;
    if (!margins.frontKnown || (this.bestMount[speaker] as number) === NONE) return false;
    margins.front(margin, speaker, raisedMm, this.mostRaisedVariance, 0);
    if (!this.marginLoses(margin.value, margin.expanded, speaker, parts)) return false;
    margins.front(margin, speaker, raisedMm, 0, 0);
    return this.marginLoses(margin.value, margin.expanded, speaker, parts);
  }

  /** Whether the hole of the bare stack, which a spacer leaves as it is, does so. */
  private holeLoses(speaker: number, mount: ClassMount, mountAt: number, parts: number): boolean {
    if (!this.margins.holeKnown) return false;
    const stack = (this.firstStack[speaker] as number) + mountAt;
    this.readHole(speaker, mount, stack);
    return this.marginLoses(this.margin.value, this.margin.expanded, speaker, parts);
  }

  /** Whether a stack that has this margin among its own cannot be better than the best. */
  private marginLoses(value: number, expanded: number, speaker: number, parts: number): boolean {
    const { best } = this;
    const verdict = verdictOf(value, expanded);
    if (verdict > best.gravest) return true;
    if (verdict < best.gravest) return false;
    if (verdict === HITS) {
      const off = value - best.worstMm;
      return off < -SAME_FIGURE || (off <= SAME_FIGURE && parts > (this.parts[speaker] as number));
    }
    return verdict === MEASURE && this.isNoSurer(surenessOf(value, expanded), speaker, parts);
  }

  private isNoSurer(sureness: number, speaker: number, parts: number): boolean {
    const off = sureness - this.best.leastSureness;
    return off < -SAME_FIGURE || (off <= SAME_FIGURE && parts > (this.parts[speaker] as number));
  }

  /**
   * Judges one stack and keeps it when it is the speaker's best so far; gives up where it cannot be. Cheap checks first.
   */
  private tryStack(speaker: number, mount: ClassMount, mountAt: number, optionAt: number, plain: boolean): void {
    const { scratch } = this;
    const option = optionAt === NO_SPACER ? null : (this.spacers[optionAt] as SpacerOption);
    const parts = mount.brackets.length + (option?.parts ?? 0);
    scratch.begin();
    if (plain) this.judgePlainly(speaker, mount, option?.spacer ?? null);
    else if (!this.judgeQuickly(speaker, mount, mountAt, option, parts)) return;
    this.keepIfBetter(speaker, mountAt, optionAt, mount, option?.spacer ?? null, parts);
  }

  /** Fills the scratch; false as soon as the stack has lost. */
  private judgeQuickly(
    speaker: number,
    mount: ClassMount,
    mountAt: number,
    option: SpacerOption | null,
    parts: number,
  ): boolean {
    const { scratch, margin, margins } = this;
    const raisedMm = mount.raisedMm + (option?.heightMm ?? 0);
    const variance = mount.raisedVariance + (option?.variance ?? 0);
    const fourth = mount.raisedFourth + (option?.fourth ?? 0);
    const stack = (this.firstStack[speaker] as number) + mountAt;
    scratch.setFigures(CHECK_AT.bolts, mount.bolts);
    if (option && !option.spacer.made) this.addRing(option);
    scratch.setFigures(CHECK_AT.wireWay, mount.wireWay);
    scratch.setFact(CHECK_AT.terminals, CLEARS);
    scratch.setFact(CHECK_AT.connector, (this.factsOf[speaker] as TerminalFacts).connector);
    scratch.setFact(CHECK_AT.chime, this.chime);
    if (margins.frontKnown) {
      margins.front(margin, speaker, raisedMm, variance, fourth);
      scratch.setMargin(CHECK_AT.front, margin.value, margin.expanded);
    } else scratch.setFact(CHECK_AT.front, MEASURE, 1);
    if (this.hasLost(speaker, parts)) return false;
    this.setHole(speaker, mount, stack, option, raisedMm, variance, fourth);
    if (this.hasLost(speaker, parts)) return false;
    this.setDepth(speaker, mount, stack, option, raisedMm, variance, fourth);
    if (this.hasLost(speaker, parts)) return false;
    this.setObstacles(speaker, mount, stack, option, raisedMm, variance, fourth);
    return true;
  }

  private setHole(
    speaker: number,
    mount: ClassMount,
    stack: number,
    option: SpacerOption | null,
    raisedMm: number,
    variance: number,
    fourth: number,
  ): void {
    const { scratch, margin, margins } = this;
    if (!margins.holeKnown) {
      scratch.setFact(CHECK_AT.hole, MEASURE, 1);
      return;
    }
    if (option && raisedMm > (this.index.fullWidthTo[speaker] as number)) {
      margins.holes(margin, speaker, mount, option.spacer, raisedMm, variance, fourth);
      this.setRoom();
      return;
    }
    this.readHole(speaker, mount, stack);
    // As far as the body keeps its full width, a spacer changes nothing but that there is one more plate to pass.
    if (option && !option.spacer.made) margins.throughSpacer(margin, speaker, mount, option.spacer, raisedMm);
    this.setRoom();
  }

  /** A body that ends in front of every plate has no room to ask for. */
  private setRoom(): void {
    const { scratch, margin } = this;
    if (margin.value === Number.POSITIVE_INFINITY) scratch.setFact(CHECK_AT.hole, CLEARS);
    else scratch.setMargin(CHECK_AT.hole, margin.value, margin.expanded);
  }

  /** The hole of the bare stack, worked out when first asked. */
  private readHole(speaker: number, mount: ClassMount, stack: number): void {
    const { margin } = this;
    const column = this.columns.hole;
    if (column.made[stack] !== column.now) {
      this.margins.holes(margin, speaker, mount, null, mount.raisedMm, mount.raisedVariance, mount.raisedFourth);
      this.keepColumn(column, stack);
    }
    margin.value = column.value[stack] as number;
    margin.expanded = column.expanded[stack] as number;
  }

  private setDepth(
    speaker: number,
    mount: ClassMount,
    stack: number,
    option: SpacerOption | null,
    raisedMm: number,
    variance: number,
    fourth: number,
  ): void {
    const { scratch, margin, margins } = this;
    const column = this.columns.depth;
    const at = CHECK_AT.depth;
    const { depthSlack } = this;
    if (this.opening?.behind === 'nothing') {
      scratch.setFact(at, CLEARS);
      return;
    }
    if (!margins.sheetKnown) {
      scratch.setFact(at, MEASURE, 1);
      return;
    }
    if (scratch.gravest === HITS && (option !== null || column.made[stack] !== column.now)) {
      const slack = margins.depthBound(speaker, mount, raisedMm) - scratch.worstMm - SAME_FIGURE;
      if (slack > 0) {
        scratch.setFact(at, CLEARS);
        if (slack < (depthSlack[speaker] as number)) depthSlack[speaker] = slack;
        return;
      }
    }
    depthSlack[speaker] = 0;
    if (!option && column.made[stack] === column.now) {
      scratch.setMargin(at, column.value[stack] as number, column.expanded[stack] as number);
      return;
    }
    margins.depth(margin, speaker, mount, raisedMm, variance, fourth);
    if (!option) this.keepColumn(column, stack);
    scratch.setMargin(at, margin.value, margin.expanded);
  }

  private setObstacles(
    speaker: number,
    mount: ClassMount,
    stack: number,
    option: SpacerOption | null,
    raisedMm: number,
    variance: number,
    fourth: number,
  ): void {
    const { scratch, margin, margins } = this;
    const column = this.columns.obstacles;
    const at = CHECK_AT.obstacles;
    if (!margins.hasRods) scratch.setFact(at, CLEARS);
    else if (!option && column.made[stack] === column.now) {
      scratch.setMargin(at, column.value[stack] as number, column.expanded[stack] as number);
    } else if (
      scratch.gravest === HITS &&
      margins.obstaclesBound(speaker, mount, raisedMm) > scratch.worstMm + SAME_FIGURE
    ) {
      scratch.setFact(at, CLEARS);
    } else {
      margins.obstacles(margin, speaker, mount, raisedMm, variance, fourth);
      if (!option) this.keepColumn(column, stack);
      scratch.setMargin(at, margin.value, margin.expanded);
    }
  }

  /** Whether what is known of the stack in the scratch already keeps it from being its speaker's best. */
  private hasLost(speaker: number, parts: number): boolean {
    if ((this.bestMount[speaker] as number) === NONE) return false;
    const { scratch, best } = this;
    if (scratch.gravest !== best.gravest) return scratch.gravest > best.gravest;
    const moreParts = parts > (this.parts[speaker] as number);
    if (scratch.gravest === HITS) {
      const off = scratch.worstMm - best.worstMm;
      return off < -SAME_FIGURE || (off <= SAME_FIGURE && moreParts);
    }
    if (scratch.gravest === MEASURE) {
      const off = scratch.leastSureness - best.leastSureness;
      return off < -SAME_FIGURE || (off <= SAME_FIGURE && moreParts);
    }
    return moreParts;
  }

  private keepColumn(column: Column, stack: number): void {
    column.value[stack] = this.margin.value;
    column.expanded[stack] = this.margin.expanded;
    column.made[stack] = column.now;
  }

  /** The ring's own room takes part in the bolts: the worse of both. */
  private addRing({ ringValue, ringExpanded }: SpacerOption): void {
    const { scratch } = this;
    const at = CHECK_AT.bolts;
    if (scratch.hasMargin[at] === 0) return;
    const before = scratch.verdict[at] as number;
    const ring = verdictOf(ringValue, ringExpanded);
    const value = scratch.value[at] as number;
    const isWorse =
      before !== ring
        ? ring > before
        : isWorseAlike(ringValue, ringExpanded, value, scratch.expanded[at] as number, ring);
    if (isWorse) scratch.setMargin(at, ringValue, ringExpanded);
  }

  private judgePlainly(speaker: number, mount: ClassMount, spacer: FitSpacer | null): void {
    if (!this.opening) throw new Error('FitEngine: expected an opening');
    const candidate = { speaker: this.index.speakers[speaker] as FitSpeaker, brackets: mount.brackets, spacer };
    const chain = this.facts.get(candidate.speaker.terminals)?.chain ?? null;
    const heightMm = spacer?.height.valueMm ?? 0;
    const placed = { ...mount.mount, pose: { ...mount.mount.pose, raisedMm: mount.raisedMm + heightMm } };
    const { checks } = judgeWithHarness(this.opening, candidate, chain, this.rules, 'mm', placed);
    checks.forEach((check, at) => {
      this.scratch.setCheck(at, check);
    });
  }

  private keepIfBetter(
    speaker: number,
    mountAt: number,
    optionAt: number,
    mount: ClassMount,
    spacer: FitSpacer | null,
    parts: number,
  ): void {
    const cost =
      (this.index.costMinor[speaker] as number) +
      mount.costMinor +
      (spacer?.pieceCostMinor ?? 0) +
      (this.factsOf[speaker] as TerminalFacts).costMinor;
    const isFirst = (this.bestMount[speaker] as number) === NONE;
    if (!isFirst && !this.isBetter(speaker, mount, spacer, parts, cost)) return;
    const { best } = this;
    this.best = this.scratch;
    this.scratch = best;
    this.bestMount[speaker] = mountAt;
    this.bestSpacer[speaker] = optionAt;
    this.parts[speaker] = parts;
    this.cost[speaker] = cost;
  }

  /** As `compareScores`; the ids are only put together where all else is equal. */
  private isBetter(speaker: number, mount: ClassMount, spacer: FitSpacer | null, parts: number, cost: number): boolean {
    const { scratch, best } = this;
    if (scratch.gravest !== best.gravest) return scratch.gravest < best.gravest;
    const off =
      scratch.gravest === MEASURE
        ? best.leastSureness - scratch.leastSureness
        : scratch.gravest === HITS
          ? best.worstMm - scratch.worstMm
          : 0;
    if (Math.abs(off) > SAME_FIGURE) return off < 0;
    if (parts !== this.parts[speaker]) return parts < (this.parts[speaker] as number);
    if (cost !== this.cost[speaker]) return cost < (this.cost[speaker] as number);
    const before = this.candidateOf(speaker);
    return idsOf(mount.brackets, spacer) < idsOf(before.brackets, before.spacer);
  }

  private finish(speaker: number, stacks: number): void {
    const { best } = this;
    const at = best.decidingCheck();
    this.verdict[speaker] = best.gravest;
    this.decidedBy[speaker] = at;
    this.marginMm[speaker] = best.hasMargin[at] === 1 ? (best.value[at] as number) : Number.NaN;
    this.expandedMm[speaker] = best.hasMargin[at] === 1 ? (best.expanded[at] as number) : Number.NaN;
    this.worstMm[speaker] = best.worstMm;
    this.leastSureness[speaker] = best.leastSureness;
    this.stacks[speaker] = stacks;
  }

  private sort(): void {
    const { verdict, own, leastSureness, worstMm, parts, cost, index } = this;
    this.order.sort((a, b) => {
      const rank = (verdict[a] as number) - (verdict[b] as number) || (own[a] as number) - (own[b] as number);
      if (rank !== 0) return rank;
      const kind = verdict[a] as number;
      if (kind === MEASURE || kind === HITS) {
        const off =
          kind === MEASURE
            ? (leastSureness[b] as number) - (leastSureness[a] as number)
            : (worstMm[b] as number) - (worstMm[a] as number);
        if (Math.abs(off) > SAME_FIGURE) return off;
      }
      return (
        (parts[a] as number) - (parts[b] as number) ||
        (cost[a] as number) - (cost[b] as number) ||
        (index.nameRank[a] as number) - (index.nameRank[b] as number)
      );
    });
  }
}

function optionOf(spacer: FitSpacer): SpacerOption {
  return {
    spacer,
    heightMm: spacer.height.valueMm,
    variance: spacer.height.uncertaintyMm ** 2,
    fourth: spacer.height.uncertaintyMm ** 4,
    parts: addedParts({ brackets: [], spacer }),
    ringValue: Number.NaN,
    ringExpanded: Number.NaN,
  };
}

function idsOf(brackets: Candidate['brackets'], spacer: FitSpacer | null): string {
  return stackIds(
    brackets.map(({ id }) => id),
    spacer?.id ?? null,
  );
}

/** Whether two lists of mounts are the same chains in the same pose, as far as a body can tell. */
function sitAlike(a: readonly ClassMount[], b: readonly ClassMount[]): boolean {
  return (
    a.length === b.length &&
    a.every((each, at) => {
      const other = b[at] as ClassMount;
      const [here, there] = [each.mount.pose, other.mount.pose];
      return (
        each.ids === other.ids &&
        here.xMm === there.xMm &&
        here.yMm === there.yMm &&
        here.angleRad === there.angleRad &&
        here.raisedMm === there.raisedMm
      );
    })
  );
}

function terminalFacts(
  opening: FitOpening,
  speaker: FitSpeaker,
  adapters: readonly FitHarnessAdapter[],
): TerminalFacts {
  const { wiring } = opening;
  const chain = wiring.kind === 'connector' ? findHarnessChain(wiring.connectorId, speaker.terminals, adapters) : null;
  return {
    connector: GRAVITY_OF[connectorCheck(opening, speaker, chain).verdict],
    chain,
    costMinor: chain?.reduce((sum, { pieceCostMinor }) => sum + pieceCostMinor, 0) ?? 0,
  };
}
