/**
 * Ranks a whole catalogue for one opening while a hand moves: what `judgeCandidate` says of every stack that
 * `stackSearch` names, found through classes of bolt patterns, flat arrays and early exits.
 *
 * How it is quick. Joints and chains belong to classes of patterns, not to parts, and change with the screws only
 * (`MountIndex`). The margins of stacks without a spacer are kept in columns, one for each dear check, and go out of date
 * only with what they depend on (`StackColumns`). Of every speaker it is known how far the margins of each check may move
 * before its answer changes (`Slack`): a changed length passes most of the catalogue over. What is left is judged anew
 * with the cheap checks first (`SpeakerJudge`), and put into the order of the others (`Standings`).
 *
 * What it says is held against the plain ranking, check for check, by a test and by the benchmark.
 */

import { CHECK_IDS } from '../Check';
import { type Judgement, judgeWithHarness } from '../judgeCandidate';
import type { RankedSpeaker, Ranking } from '../Ranking';
import type { Candidate, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import { type ClassMount, MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';
import { behindMovedMm, frontShiftMm, holeMovedMm, obstaclesMovedMm } from './openingMoves';
import { CHECK_AT, VERDICT_OF } from './Scratch';
import { OWN_CHANGED, Slack, STAYS } from './Slack';
import { SpeakerJudge } from './SpeakerJudge';
import { StackColumns } from './StackColumns';
import { BOUND_ROOM_MM, StackMargins } from './StackMargins';
import { JUDGED, KEPT, SHIFTED, Standings } from './Standings';

/** How far the margins have moved with a change of the opening, mm. */
type Moves = {
  readonly checks: readonly (readonly [number, number])[];
  readonly frontMm: number;
  readonly bolts: boolean;
};

export class FitEngine {
  readonly standings: Standings;
  private readonly facts: OpeningFacts;
  private readonly margins: StackMargins;
  private readonly columns = new StackColumns();
  private readonly slack: Slack;
  private readonly speakerJudge: SpeakerJudge;

  /**
   * @param mountIndex shared by the engines of one vehicle: what mates with what is found once
   */
  constructor(
    readonly index: CatalogueIndex,
    readonly rules: FitRules,
    mountIndex: MountIndex = new MountIndex(index, rules),
  ) {
    this.standings = new Standings(index.nameRank);
    this.facts = new OpeningFacts(index, rules, mountIndex);
    this.margins = new StackMargins(index, rules, this.facts);
    this.slack = new Slack(index.speakers.length, (check, speaker) => this.margins.widestMm(check, speaker));
    this.speakerJudge = new SpeakerJudge(
      index,
      rules,
      this.facts,
      this.margins,
      this.columns,
      this.standings,
      this.slack,
    );
  }

  /** Speakers by their place in the index, best first. */
  get order(): readonly number[] {
    return this.standings.order;
  }

  get verdict(): Uint8Array {
    return this.standings.verdict;
  }

  /** Judges every speaker for an opening and puts them in order; afterwards the standings are the answer. */
  rank(opening: FitOpening): void {
    const before = this.facts.opening;
    const moves = this.takeOver(opening);
    const isOtherSize = this.noteOwnSize(opening, before);
    if (!moves) this.judgeAll();
    else this.bringAllUpToDate(moves);
    if (!moves || isOtherSize) this.standings.sort();
    else this.standings.mend();
  }

  // The loops stand alone: a machine that compiles a loop while it runs must not find unknown code behind it.
  private judgeAll(): void {
    const { length } = this.index.speakers;
    for (let speaker = 0; speaker < length; speaker++) this.speakerJudge.judge(speaker);
  }

  private bringAllUpToDate(moves: Moves): void {
    const { length } = this.index.speakers;
    const { fate } = this.standings;
    for (let speaker = 0; speaker < length; speaker++) fate[speaker] = this.bringUpToDate(speaker, moves);
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
        verdict: VERDICT_OF[standings.verdict[speaker] as number] ?? 'hits',
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
      speakers: this.order.map((at) => this.rankedSpeaker(at)),
      stacksJudged: this.standings.stacks.reduce((sum, each) => sum + each, 0),
    };
  }

  /**
   * Notes what has changed since the last opening, and lets go of the columns that it reaches.
   *
   * @returns null where every speaker has to be judged anew
   */
  private takeOver(opening: FitOpening): Moves | null {
    const { facts, columns, index } = this;
    const before = facts.opening;
    const areNewBolts = facts.takeOver(opening);
    if (areNewBolts && facts.isKept.includes(false)) {
      const counts = facts.mounts.map((list) => list.length);
      columns.resize(index.speakerClass, counts, facts.isKept);
    }
    this.margins.setOpening(opening);
    const holeMm = before ? holeMovedMm(before, opening) : Number.POSITIVE_INFINITY;
    const depthMm = before
      ? behindMovedMm(before, opening, index.farthestMm + BOUND_ROOM_MM)
      : Number.POSITIVE_INFINITY;
    const obstaclesMm = before ? obstaclesMovedMm(before, opening) : Number.POSITIVE_INFINITY;
    if (holeMm > 0) columns.hole.now++;
    if (depthMm > 0) columns.depth.now++;
    if (obstaclesMm > 0) columns.obstacles.now++;
    if (!before || factsKey(before) !== factsKey(opening)) return null;
    const checks = [
      [CHECK_AT.hole, holeMm],
      [CHECK_AT.depth, depthMm],
      [CHECK_AT.obstacles, obstaclesMm],
    ] as const;
    return {
      checks: checks.filter(([, mm]) => mm > 0),
      frontMm: frontShiftMm(before, opening),
      bolts: areNewBolts,
    };
  }

  /** Brings a speaker's answer up to date, with as little as the moves ask, and says what that was. */
  private bringUpToDate(speaker: number, { checks, frontMm, bolts }: Moves): number {
    const { slack, facts, index, standings, speakerJudge } = this;
    let left = STAYS;
    for (const [check, mm] of checks) left = Math.max(left, slack.move(speaker, check, mm));
    if (bolts) {
      const mm = facts.boltsMovedMm[index.speakerClass[speaker] as number] as number;
      if (mm > 0) left = Math.max(left, slack.move(speaker, CHECK_AT.bolts, mm));
    }
    if (frontMm !== 0 && left === STAYS && slack.shift(speaker, Math.abs(frontMm))) {
      standings.marginMm[speaker] = (standings.marginMm[speaker] as number) + frontMm;
      standings.worstMm[speaker] = (standings.worstMm[speaker] as number) + frontMm;
      return SHIFTED;
    }
    if (frontMm !== 0) left = Math.max(left, slack.move(speaker, CHECK_AT.front, Math.abs(frontMm)));
    if (left === STAYS) return KEPT;
    if (left === OWN_CHANGED) speakerJudge.judgeAgain(speaker);
    else speakerJudge.judge(speaker);
    return JUDGED;
  }

  private noteOwnSize({ nominalSize }: FitOpening, before: FitOpening | null): boolean {
    if (before?.nominalSize === nominalSize) return false;
    const { sizeClass, sizeClasses, speakers } = this.index;
    const isOther = Uint8Array.from(sizeClasses, ({ members }) =>
      speakers[members[0] as number]?.nominalSize === nominalSize ? 0 : 1,
    );
    sizeClass.forEach((each, speaker) => {
      this.standings.own[speaker] = isOther[each] as number;
    });
    return true;
  }
}

/** What no length stands for. */
function factsKey({ wiring, secondPlug, plugRad }: FitOpening): string {
  return JSON.stringify([wiring, secondPlug, plugRad]);
}
