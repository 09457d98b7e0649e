/**
 * Ranks a whole catalogue for one opening with all its figures: what `judgeCandidate` says of every stack that `stackSearch`
 * names, found through classes of bolt patterns, flat arrays and early exits. For the verdicts alone, while a hand moves,
 * there is `CatalogueSweep`.
 *
 * How it is quick. Joints and chains belong to classes of patterns, not to parts, and change with the screws only
 * (`MountIndex`). Of each speaker the cheap checks are asked first, and a stack is let go as soon as it can no longer be the
 * best (`SpeakerJudge`). Nothing else is kept from opening to opening but which stack was the best.
 *
 * What it says is held against the plain ranking, check for check, by a test and by the benchmark.
 */

import { CHECK_IDS } from '../Check';
import { type Judgement, judgeWithHarness } from '../judgeCandidate';
import { type RankedSpeaker, type Ranking, VERDICTS_BY_RANK } from '../Ranking';
import type { Candidate, FitOpening, FitRules, FitSpeaker } from '../shapes';
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { MountIndex } from './MountIndex';
import { OpeningFacts } from './OpeningFacts';
import { SpeakerJudge } from './SpeakerJudge';
import { StackFigures } from './StackFigures';
import { StackMargins } from './StackMargins';
import { Standings } from './Standings';

export class FitEngine {
  readonly standings: Standings;
  private readonly facts: OpeningFacts;
  private readonly margins: StackMargins;
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
    const figures = new StackFigures(index, this.facts, this.margins);
    this.speakerJudge = new SpeakerJudge(index, rules, this.facts, this.margins, figures, this.standings);
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
    const { facts, margins, index, standings, speakerJudge } = this;
    const hasAnswers = facts.opening !== null;
    const areOtherStacks = facts.takeOver(opening);
    margins.setOpening(opening);
    standings.setOwnSize(index, opening.nominalSize);
    const { length } = index.speakers;
    for (let speaker = 0; speaker < length; speaker++) speakerJudge.judge(speaker, hasAnswers && !areOtherStacks);
    standings.sort();
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
}
