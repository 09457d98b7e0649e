/** The checks of one stack in figures: the cheap ones at once, the dear ones each by itself. */
import type { CatalogueIndex } from './CatalogueIndex';
import type { ClassMount } from './ClassMount';
import { type MarginMm, newMargin } from './MarginMm';
import type { OpeningFacts } from './OpeningFacts';
import { newRaise, type Raise, setRaise } from './Raise';
import { CHECK_AT, CLEARS, isWorseAlike, MEASURE, type Scratch, verdictOf } from './Scratch';
import type { SpacerOption } from './SpacerOption';
import type { StackMargins } from './StackMargins';

/** The checks that cost a search, cheapest first. */
export const DEAR = [CHECK_AT.hole, CHECK_AT.depth, CHECK_AT.obstacles];

export class StackFigures {
  private readonly margin: MarginMm = newMargin();
  private readonly raise = newRaise();

  constructor(
    private readonly index: CatalogueIndex,
    private readonly facts: OpeningFacts,
    private readonly margins: StackMargins,
  ) {}

  /** All checks of a stack that needs no boxes. */
  setAll(scratch: Scratch, speaker: number, mount: ClassMount, option: SpacerOption | null): void {
    const { margin, margins, raise } = this;
    setRaise(raise, mount, option);
    scratch.begin();
    this.setCheap(scratch, speaker, mount, option, raise);
    for (const check of DEAR) {
      if (!margins.isAsked(check)) this.setUnasked(scratch, check);
      else {
        this.dear(margin, check, speaker, mount, option, raise);
        scratch.setMargin(check, margin.value, margin.expanded);
      }
    }
  }

  /** Everything but hole, depth and obstacles. */
  setCheap(scratch: Scratch, speaker: number, mount: ClassMount, option: SpacerOption | null, raise: Raise): void {
    const { margin, margins, facts } = this;
    scratch.setFigures(CHECK_AT.bolts, mount.bolts);
    if (option && !option.spacer.made) addRing(scratch, option);
    scratch.setFigures(CHECK_AT.wireWay, mount.wireWay);
    scratch.setFact(CHECK_AT.terminals, CLEARS);
    scratch.setFact(CHECK_AT.connector, facts.terminalsOf(speaker).connector);
    scratch.setFact(CHECK_AT.chime, facts.chime);
    if (margins.frontKnown) {
      margins.front(margin, speaker, raise);
      scratch.setMargin(CHECK_AT.front, margin.value, margin.expanded);
    } else scratch.setFact(CHECK_AT.front, MEASURE, 1);
  }

  /** The margin of hole, depth or obstacles. */
  dear(
    out: MarginMm,
    check: number,
    speaker: number,
    mount: ClassMount,
    option: SpacerOption | null,
    raise: Raise,
  ): void {
    const { margins } = this;
    if (check === CHECK_AT.hole) margins.hole.holes(out, speaker, mount, option?.spacer ?? null, raise);
    else if (check === CHECK_AT.depth) margins.depth(out, speaker, mount, raise);
    else margins.obstacles(out, speaker, mount, raise);
  }

  /** What a dear check says where there is no length to ask. */
  setUnasked(scratch: Scratch, check: number): void {
    const isMissing = check === CHECK_AT.hole || (check === CHECK_AT.depth && this.facts.opening?.behind !== 'nothing');
    scratch.setFact(check, isMissing ? MEASURE : CLEARS, isMissing ? 1 : 0);
  }

  costOf(speaker: number, mount: ClassMount, option: SpacerOption | null): number {
    return (
      this.index.row.costMinor(speaker) +
      mount.costMinor +
      (option?.spacer.pieceCostMinor ?? 0) +
      this.facts.terminalsOf(speaker).costMinor
    );
  }
}

/** The ring's own room takes part in the bolts: the worse of both. */
function addRing(scratch: Scratch, { ringValue, ringExpanded }: SpacerOption): void {
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
