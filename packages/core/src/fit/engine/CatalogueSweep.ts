/**
 * A sweep over the whole catalogue while a hand moves: the verdict of every speaker in an opening, and the stack of those
 * that clear. It asks for no figure that a verdict does not need: most stacks are settled by the window of heights between
 * front and glass, or by bounds. Of what hits it is known by how much at the least. Nothing is kept from one sweep to the
 * next but the answers of bolt classes to which nothing has changed (`HeldClasses`).
 *
 * The verdicts, and the stacks of what clears, are those of `FitEngine`, which goes on to the figures of all the others.
 */
import { CHECK_IDS } from '../Check';
import { type FirstLook, type RankedSpeaker, VERDICTS_BY_RANK } from '../Ranking';
import type { FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex, PatternClass } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { HeldClasses } from './HeldClasses';
import { judgeStack } from './judgeStack';
import type { MountColumns } from './MountColumns';
import { MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';
import { CHECK_AT, CLEARS, HITS, MEASURE, Scratch, verdictOf } from './Scratch';
import type { SpacerOption } from './SpacerOption';
import { StackFigures } from './StackFigures';
import { StackMargins } from './StackMargins';
import { StackVerdict } from './StackVerdict';
import { Standings } from './Standings';

const NO_SPACER = -1;

export class CatalogueSweep {
  /** Of every speaker the verdict; mount, spacer, parts and cost where it clears or is on hold. */
  readonly standings: Standings;
  /** Of what hits, by how much it does at the least, mm: no stack misses by less; and at which check. */
  readonly missesMm: Float64Array;
  readonly failsAt: Uint8Array;
  private readonly facts: OpeningFacts;
  private readonly margins: StackMargins;
  private readonly stack: StackVerdict;
  private readonly stackFigures: StackFigures;
  private readonly figures = new Scratch();
  private readonly held = new HeldClasses();
  /** Of the speaker that is asked: the verdict of its best stack so far, and which that is. */
  private speaker = 0;
  private verdict = HITS;
  private mount = 0;
  private spacer = NO_SPACER;
  private parts = 0;
  private addedCost = 0;
  /** No facts of it, whatever the stack, are less grave than this. */
  private floor = CLEARS;
  /** From this height the front surely hits; above the other it surely does not clear, mm. */
  private hitsFromMm = Number.POSITIVE_INFINITY;
  private clearsToMm = Number.POSITIVE_INFINITY;

  /** @param mountIndex may be shared with a `FitEngine` of the same index and rules */
  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
    mountIndex: MountIndex = new MountIndex(index, rules),
  ) {
    this.standings = new Standings(index.nameRank);
    this.missesMm = new Float64Array(index.speakers.length);
    this.failsAt = new Uint8Array(index.speakers.length);
    this.facts = new OpeningFacts(index, rules, mountIndex);
    this.margins = new StackMargins(index, rules, this.facts);
    this.stackFigures = new StackFigures(index, this.facts, this.margins);
    this.stack = new StackVerdict(index, rules, this.facts, this.margins);
  }

  /** Asks every speaker; afterwards the standings are the answer. */
  sweep(opening: FitOpening): void {
    const { facts, margins, standings, index, stack, held } = this;
    facts.takeOver(opening);
    margins.setOpening(opening);
    stack.beginOpening();
    standings.setOwnSize(index, opening.nominalSize);
    const { mounts } = facts;
    const isHeld = held.since(opening, facts);
    for (let speakerClass = 0; speakerClass < mounts.classes; speakerClass++) {
      if (isHeld[speakerClass] === 1) continue;
      const { members } = index.speakerClasses[speakerClass] as PatternClass<FitSpeaker>;
      if (mounts.isHopeless[speakerClass] === 1) this.refuse(members, mounts, speakerClass);
      else this.askClass(members, mounts, speakerClass);
    }
    held.keep(facts);
  }

  /**
   * What a screen shows of the last sweep while a hand still moves.
   *
   * @param most so many of what clears, best first, with all their figures
   */
  look(most: number): FirstLook {
    const { index, standings, facts } = this;
    const verdicts = new Uint8Array(index.speakers.length);
    let stacksJudged = 0;
    for (let speaker = 0; speaker < verdicts.length; speaker++) {
      verdicts[index.catalogueAt[speaker] as number] = standings.verdict[speaker] as number;
      stacksJudged += facts.stackCounts[index.speakerClass[speaker] as number] as number;
    }
    return {
      verdicts,
      best: Array.from(standings.clearing(most), (at) => this.ranked(at)),
      stacksJudged,
    };
  }

  private ranked(speaker: number): RankedSpeaker {
    const { index, facts, standings, figures } = this;
    const speakerClass = index.speakerClass[speaker] as number;
    const { mounts, spacers } = facts;
    const at = (mounts.first[speakerClass] as number) + (standings.mount[speaker] as number);
    const mount = mounts.mountAt(speakerClass, at);
    const option = spacers[standings.spacer[speaker] as number] ?? null;
    this.setFigures(speaker, mount, option);
    const decidedBy = figures.decidingCheck();
    const hasMargin = figures.hasMargin[decidedBy] === 1;
    return {
      speakerId: (index.speakers[speaker] as FitSpeaker).id,
      stacksJudged: facts.stackCounts[speakerClass] as number,
      best: {
        bracketIds: mount.brackets.map(({ id }) => id),
        spacerId: option?.spacer.id ?? null,
        verdict: VERDICTS_BY_RANK[figures.gravest] ?? 'hits',
        decidedBy: CHECK_IDS[decidedBy] ?? 'hole',
        addedParts: standings.parts[speaker] as number,
        costMinor: standings.costMinor[speaker] as number,
        marginMm: hasMargin ? (figures.value[decidedBy] as number) : null,
        expandedMm: hasMargin ? (figures.expanded[decidedBy] as number) : null,
      },
    };
  }

  private setFigures(speaker: number, mount: ClassMount, option: SpacerOption | null): void {
    const { figures, margins, index, rules, facts } = this;
    if (!margins.needsChecks && index.hasBoxes[speaker] === 0) {
      this.stackFigures.setAll(figures, speaker, mount, option);
      return;
    }
    figures.begin();
    const { checks } = judgeStack(index, rules, facts, speaker, mount, option?.spacer ?? null);
    for (const [at, check] of checks.entries()) figures.setCheck(at, check);
  }

  /** Nothing mates with the speakers of this class: there is nothing to try. */
  private refuse(members: readonly number[], { first, boltsMm }: MountColumns, speakerClass: number): void {
    const missesMm = Math.max(0, -(boltsMm[first[speakerClass] as number] as number));
    for (let member = 0; member < members.length; member++) {
      const speaker = members[member] as number;
      this.standings.verdict[speaker] = HITS;
      this.failsAt[speaker] = CHECK_AT.bolts;
      this.missesMm[speaker] = missesMm;
    }
  }

  private askClass(members: readonly number[], mounts: MountColumns, speakerClass: number): void {
    for (let member = 0; member < members.length; member++) {
      const speaker = members[member] as number;
      this.ask(speaker, speakerClass, mounts);
      this.writeDown(speaker);
    }
  }

  private ask(speaker: number, speakerClass: number, columns: MountColumns): void {
    const { facts, margins, stack } = this;
    stack.beginSpeaker(speaker);
    this.speaker = speaker;
    this.verdict = HITS;
    this.noteFront();
    const lowestMm = columns.lowestMm[speakerClass] as number;
    // Where the front is in the way of the lowest chain it is in that of all.
    if (lowestMm >= this.hitsFromMm) {
      stack.noteMiss(stack.front.leftMm - lowestMm, CHECK_AT.front);
      return;
    }
    const gravity = facts.factsGravity[this.index.row.terminalsClass(speaker)] as number;
    this.floor = margins.frontKnown ? gravity : Math.max(gravity, MEASURE);
    this.askMounts(speakerClass, columns);
  }

  private noteFront(): void {
    const { frontKnown } = this.margins;
    const { leftMm, widestMm, surestMm } = this.stack.front;
    this.hitsFromMm = frontKnown ? leftMm + widestMm : Number.POSITIVE_INFINITY;
    this.clearsToMm = frontKnown ? leftMm - surestMm : Number.POSITIVE_INFINITY;
  }

  private writeDown(speaker: number): void {
    const { standings, stack, verdict } = this;
    standings.verdict[speaker] = verdict;
    this.failsAt[speaker] = stack.missAt;
    this.missesMm[speaker] = verdict === HITS ? Math.max(0, -stack.missMm) : 0;
    if (verdict === HITS) return;
    standings.mount[speaker] = this.mount;
    standings.spacer[speaker] = this.spacer;
    standings.parts[speaker] = this.parts;
    standings.costMinor[speaker] =
      this.index.row.costMinor(speaker) + this.facts.terminalsOf(speaker).costMinor + this.addedCost;
  }

  private askMounts(speakerClass: number, columns: MountColumns): void {
    const { gravity, raisedMm, parts, costMinor, boltsMm, lastAlike } = columns;
    const first = columns.first[speakerClass] as number;
    const end = columns.first[speakerClass + 1] as number;
    for (let at = first; at < end; at++) {
      if (this.isSettled()) {
        // Mounts come with few parts first: what is as good as can be with fewer cannot be beaten any more.
        if ((parts[at] as number) > this.parts) return;
        if (parts[at] === this.parts && (costMinor[at] as number) > this.addedCost) continue;
      }
      const gravest = Math.max(gravity[at] as number, this.floor);
      if (gravest === HITS) {
        this.stack.noteMiss(boltsMm[at] as number, CHECK_AT.bolts);
        continue;
      }
      if (gravest > this.verdict || (gravest === MEASURE && this.verdict === MEASURE)) continue;
      if (this.isTooHigh(raisedMm[at] as number)) {
        // Then the lowest first: where the front is in the way, it is in that of every higher one.
        at = lastAlike[at] as number;
        continue;
      }
      this.askMount(columns.mountAt(speakerClass, at), at, at - first, gravest);
    }
  }

  /** One chain, bare and with each spacer, at the heights that glass and front leave. */
  private askMount(mount: ClassMount, at: number, mountAt: number, gravest: number): void {
    const { facts, margins, index, stack, speaker, rules } = this;
    const { spacers, spacerHeightsMm, mounts: columns } = facts;
    const bareMm = columns.raisedMm[at] as number;
    const count = spacerHeightsMm.length;
    const highestMm = count > 0 ? bareMm + (spacerHeightsMm[count - 1] as number) : bareMm;
    const tallestMm = Math.min(highestMm, Math.max(bareMm, rules.mostRaisedMm));
    stack.beginMount();
    // Where the body with the width of its flange is stuck, it must stand so high that narrower parts of it are in the hole.
    const freeMm = margins.hole.isKnown && this.holeLoses(mount, at) ? index.row.fullWidthTo(speaker) : 0;
    if (freeMm > tallestMm) return;
    let lowestMm = Number.NEGATIVE_INFINITY;
    if (margins.sheetKnown) {
      lowestMm = this.lowestMm(mount);
      if (lowestMm > tallestMm) {
        stack.noteMiss(margins.depthUpperMm(tallestMm), CHECK_AT.depth);
        return;
      }
    }
    let tooLowMm = Number.NEGATIVE_INFINITY;
    if (bareMm < lowestMm) tooLowMm = bareMm;
    else if (bareMm >= freeMm && this.tryStack(mount, at, mountAt, NO_SPACER, null, gravest) && margins.sheetKnown)
      lowestMm = this.lowestMm(mount);
    for (let option = 0; option < count; option++) {
      if ((columns.parts[at] as number) + 1 > this.parts && this.isSettled()) break;
      const raisedMm = bareMm + (spacerHeightsMm[option] as number);
      if (raisedMm > tallestMm || this.isTooHigh(raisedMm)) break;
      if (raisedMm < lowestMm) tooLowMm = raisedMm;
      else if (
        raisedMm >= freeMm &&
        this.tryStack(mount, at, mountAt, option, spacers[option] as SpacerOption, gravest) &&
        margins.sheetKnown
      )
        lowestMm = this.lowestMm(mount);
    }
    if (tooLowMm > Number.NEGATIVE_INFINITY && this.verdict === HITS)
      stack.noteMiss(margins.depthUpperMm(tooLowMm), CHECK_AT.depth);
  }

  /** Whether the front alone keeps whatever stands so high from being better than the best so far. */
  private isTooHigh(raisedMm: number): boolean {
    if (raisedMm >= this.hitsFromMm) {
      this.stack.noteMiss(this.stack.front.leftMm - raisedMm, CHECK_AT.front);
      return true;
    }
    return this.verdict <= MEASURE && raisedMm > this.clearsToMm;
  }

  /** Below this height a stack surely hits what stands behind or, where that is asked, surely does not clear it, mm. */
  private lowestMm(mount: ClassMount): number {
    const marginMm = this.verdict <= MEASURE ? 0 : -this.stack.shortDepthMm();
    return this.margins.heightForDepthMm(this.speaker, mount, marginMm);
  }

  /**
   * Whether a body with the width of its flange misses the hole or a throat, or is no better than the best.
   */
  private holeLoses(mount: ClassMount, at: number): boolean {
    const { stack } = this;
    const mm = stack.fullHoleMm(mount, at);
    if (mm < 0 && this.verdict <= MEASURE) return true;
    if (mm + stack.shortHoleMm() > 0) return false;
    stack.noteMiss(mm, CHECK_AT.hole);
    return true;
  }

  /** Whether only fewer parts or less money would be better than the best so far. */
  private isSettled(): boolean {
    return this.verdict === this.floor && this.verdict !== MEASURE && this.verdict !== HITS;
  }

  /** Takes a stack where it is better than the best so far, and says so. */
  private tryStack(
    mount: ClassMount,
    at: number,
    mountAt: number,
    optionAt: number,
    option: SpacerOption | null,
    gravest: number,
  ): boolean {
    let known = gravest;
    if (option && !option.spacer.made) known = Math.max(known, verdictOf(option.ringValue, option.ringExpanded));
    const limit = this.isEasier(mount, option) ? this.verdict : this.verdict - 1;
    if (known > limit) return false;
    const verdict = this.stack.judge(mount, at, option, known, limit);
    if (verdict > limit) return false;
    this.verdict = verdict;
    this.mount = mountAt;
    this.spacer = optionAt;
    this.parts = partsOf(mount, option);
    this.addedCost = addedMinor(mount, option);
    return true;
  }

  /** Whether a stack with the verdict of the best would be better than it; as `compareScores`, short of figures. */
  private isEasier(mount: ClassMount, option: SpacerOption | null): boolean {
    if (this.verdict === MEASURE || this.verdict === HITS) return false;
    const parts = partsOf(mount, option);
    if (parts !== this.parts) return parts < this.parts;
    const addedCost = addedMinor(mount, option);
    if (addedCost !== this.addedCost) return addedCost < this.addedCost;
    const { mounts, spacers } = this.facts;
    const speakerClass = this.index.speakerClass[this.speaker] as number;
    const best = mounts.mountAt(speakerClass, (mounts.first[speakerClass] as number) + this.mount);
    return mount.idsWith(option?.spacer ?? null) < best.idsWith(spacers[this.spacer]?.spacer ?? null);
  }
}

function partsOf(mount: ClassMount, option: SpacerOption | null): number {
  return mount.brackets.length + (option ? option.parts : 0);
}

/** What a stack adds to the price of its speaker, by the piece. */
function addedMinor(mount: ClassMount, option: SpacerOption | null): number {
  return mount.costMinor + (option ? option.spacer.pieceCostMinor : 0);
}
