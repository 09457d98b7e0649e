/**
 * Ranks a whole catalogue for one opening while a hand moves: what `judgeCandidate` says of every stack that
 * `stackSearch` names, found through classes of bolt patterns, flat arrays and early exits.
 *
 * How it is quick. Joints and chains belong to classes of patterns, not to parts, and change with the screws only
 * (`MountIndex`). The margins of stacks without a spacer are kept in columns, one for each dear check, and go out of date
 * only with what they depend on (`StackColumns`). Of every speaker it is known how far the margins of each check may move
 * before its answer changes (`Slack`), and of every opening how far they have moved since earlier ones (`Epochs`): a
 * changed length passes most of the catalogue over. What is left is judged anew
 * with the cheap checks first (`SpeakerJudge`), and put into the order of the others (`Standings`).
 *
 * What it says is held against the plain ranking, check for check, by a test and by the benchmark.
 */

import { CHECK_IDS } from '../Check';
import { type Judgement, judgeWithHarness } from '../judgeCandidate';
import { type RankedSpeaker, type Ranking, VERDICTS_BY_RANK } from '../Ranking';
import type { Candidate, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { DepthMoves } from './DepthMoves';
import { Epochs } from './Epochs';
import { MountIndex } from './MountIndex';
import { MountMoves } from './MountMoves';
import { OpeningFacts } from './OpeningFacts';
import { CHECK_AT, HITS, surenessOf, verdictOf } from './Scratch';
import { BOUND_ROOM_MM } from './SheetEnds';
import { OWN_CHANGED, SHIFTS, Slack, STAYS, type Worth } from './Slack';
import { SpeakerJudge } from './SpeakerJudge';
import { DEAR, StackColumns } from './StackColumns';
import { StackFigures } from './StackFigures';
import { StackMargins } from './StackMargins';
import { JUDGED, KEPT, SHIFTED, Standings } from './Standings';

export class FitEngine {
  readonly standings: Standings;
  private readonly facts: OpeningFacts;
  private readonly mountMoves: MountMoves;
  private readonly margins: StackMargins;
  private readonly columns: StackColumns;
  private readonly epochs: Epochs;
  private readonly slack: Slack;
  private readonly worth: Worth = { verdict: 0, worstMm: 0, leastSureness: 0 };
  private readonly speakerJudge: SpeakerJudge;
  /** By how much the front gap has grown with the last opening, mm. */
  private frontStepMm = 0;

  /**
   * @param mountIndex shared by the engines of one vehicle: what mates with what is found once
   */
  constructor(
    readonly index: CatalogueIndex,
    readonly rules: FitRules,
    mountIndex: MountIndex = new MountIndex(index, rules),
  ) {
    this.standings = new Standings(index.nameRank);
    this.columns = new StackColumns(index.speakers.length);
    this.mountMoves = new MountMoves(index.speakerClasses.length);
    this.facts = new OpeningFacts(index, rules, mountIndex);
    this.margins = new StackMargins(index, rules, this.facts);
    const depthMoves = new DepthMoves(index, this.facts);
    this.epochs = new Epochs(index.speakerClasses.length, index.farthestMm + BOUND_ROOM_MM, depthMoves);
    const { margins } = this;
    this.slack = new Slack(
      this.epochs,
      depthMoves,
      index.speakerClass,
      (check, speaker, isShort) => margins.widestMm(check, speaker, isShort),
      (speaker, isWidest) => margins.frontIntervalMm(speaker, isWidest),
    );
    this.speakerJudge = new SpeakerJudge(
      index,
      rules,
      this.facts,
      this.mountMoves,
      this.margins,
      new StackFigures(index, this.facts, this.margins),
      this.columns,
      this.standings,
      this.slack,
    );
  }

  /** Speakers by their place in the index, best first. */
  get order(): Int32Array {
    return this.standings.order;
  }

  get verdict(): Uint8Array {
    return this.standings.verdict;
  }

  /** Judges every speaker for an opening and puts them in order; afterwards the standings are the answer. */
  rank(opening: FitOpening): void {
    const hasAnswers = this.takeOver(opening);
    const isOtherSize = this.standings.setOwnSize(this.index, opening.nominalSize);
    if (hasAnswers) this.bringAllUpToDate();
    else this.judgeAll();
    if (!hasAnswers || isOtherSize) this.standings.sort();
    else this.standings.mend();
  }

  // The loops stand alone: a machine that compiles a loop while it runs must not find unknown code behind it.
  private judgeAll(): void {
    const { length } = this.index.speakers;
    for (let speaker = 0; speaker < length; speaker++) this.speakerJudge.judge(speaker);
    this.standings.fate.fill(JUDGED);
  }

  private bringAllUpToDate(): void {
    const { length } = this.index.speakers;
    const { fate } = this.standings;
    for (let speaker = 0; speaker < length; speaker++) fate[speaker] = this.bringUpToDate(speaker);
  }

  /** The candidate that stands for a speaker. */
  candidateOf(speaker: number): Candidate {
    const { mount, spacer } = this.standings;
    const { brackets } = this.facts.mountsOf(speaker)[mount[speaker] as number] as ClassMount;
    return {
      speaker: this.index.speakers[speaker] as FitSpeaker,
      brackets,
      spacer: this.facts.spacers[spacer[speaker] as number]?.spacer ?? null,
    };
  }

  /** Every check of a speaker's best stack, in full. */
  judgementOf(speaker: number): Judgement {
    const { opening } = this.facts;
    if (!opening) throw new Error('FitEngine.judgementOf: expected a ranking before it');
    const { chain } = this.facts.terminalsOf(speaker);
    return judgeWithHarness(opening, this.candidateOf(speaker), chain, this.rules, 'mm');
  }

  rankedSpeaker(speaker: number): RankedSpeaker {
    const { standings } = this;
    const { brackets, spacer } = this.candidateOf(speaker);
    const marginMm = standings.marginMm[speaker] as number;
    const hasMargin = !Number.isNaN(marginMm);
    return {
      speakerId: (this.index.speakers[speaker] as FitSpeaker).id,
      stacksJudged: standings.stacks[speaker] as number,
      best: {
        bracketIds: brackets.map(({ id }) => id),
        spacerId: spacer?.id ?? null,
        verdict: VERDICTS_BY_RANK[standings.verdict[speaker] as number] ?? 'hits',
        decidedBy: CHECK_IDS[standings.decidedBy[speaker] as number] ?? 'hole',
        addedParts: standings.parts[speaker] as number,
        costMinor: standings.costMinor[speaker] as number,
        marginMm: hasMargin ? marginMm : null,
        expandedMm: hasMargin ? (standings.expandedMm[speaker] as number) : null,
      },
    };
  }

  ranking(): Ranking {
    return {
      speakers: Array.from(this.order, (at) => this.rankedSpeaker(at)),
      stacksJudged: this.standings.stacks.reduce((sum, each) => sum + each, 0),
    };
  }

  /**
   * Notes what has changed since the last opening, and lets go of the columns that it reaches.
   *
   * @returns whether the answers that stand there may hold still
   */
  private takeOver(opening: FitOpening): boolean {
    const { facts, columns, index, epochs, mountMoves } = this;
    const before = facts.opening;
    facts.takeOver(opening);
    const { mounts } = facts;
    if (mountMoves.compare(mounts, facts.spacers) && mountMoves.isKept.includes(false)) {
      const counts = index.speakerClasses.map((_, speakerClass) => mounts.count(speakerClass));
      columns.resize(index.speakerClass, counts, mountMoves.isKept);
    }
    this.margins.setOpening(opening);
    const former = epochs.latest;
    this.slack.leave(epochs.next, this.standings);
    epochs.begin(opening, mountMoves.boltsMovedMm, this.margins.behindAskedMm);
    if (!before) return false;
    for (const check of DEAR) if (epochs.hasMoved(former, check)) columns.of(check).now++;
    this.frontStepMm = epochs.frontMm(former);
    return !epochs.isAnything(former) && factsKey(before) === factsKey(opening);
  }

  /** Brings a speaker's answer up to date, with as little as the moves ask, and says what that was. */
  private bringUpToDate(speaker: number): number {
    const { slack, mountMoves, index, standings, speakerJudge, worth, frontStepMm } = this;
    if (mountMoves.boltsMovedMm[index.speakerClass[speaker] as number] === Number.POSITIVE_INFINITY) {
      speakerJudge.judge(speaker);
      return JUDGED;
    }
    worth.verdict = standings.verdict[speaker] as number;
    worth.worstMm = standings.worstMm[speaker] as number;
    worth.leastSureness = standings.leastSureness[speaker] as number;
    const isByFront = standings.decidedBy[speaker] === CHECK_AT.front;
    const isHit = worth.verdict === HITS;
    const own = isByFront && !isHit ? slack.openFate(speaker) : slack.ownFate(speaker, isByFront);
    if (own === OWN_CHANGED || (own === SHIFTS && !this.shiftWorth(speaker))) {
      speakerJudge.judgeAgain(speaker);
      return JUDGED;
    }
    if (!slack.losersHold(speaker, worth)) {
      speakerJudge.judge(speaker);
      return JUDGED;
    }
    if (own === STAYS || frontStepMm === 0) return KEPT;
    standings.worstMm[speaker] = worth.worstMm;
    standings.leastSureness[speaker] = worth.leastSureness;
    standings.marginMm[speaker] = (standings.marginMm[speaker] as number) + frontStepMm;
    // Those that hit have moved alike; how much surer the others are hangs on their intervals.
    return isHit ? SHIFTED : JUDGED;
  }

  /** What a speaker whose front decides is worth after the step; false where its verdict is another one. */
  private shiftWorth(speaker: number): boolean {
    const { worth, standings, frontStepMm } = this;
    if (frontStepMm === 0) return true;
    if (worth.verdict === HITS) {
      worth.worstMm += frontStepMm;
      return true;
    }
    const valueMm = (standings.marginMm[speaker] as number) + frontStepMm;
    const expandedMm = standings.expandedMm[speaker] as number;
    worth.leastSureness = surenessOf(valueMm, expandedMm);
    return verdictOf(valueMm, expandedMm) === worth.verdict;
  }
}

/** What no length stands for. */
function factsKey({ wiring, secondPlug, plugRad }: FitOpening): string {
  return JSON.stringify([wiring, secondPlug, plugRad]);
}
