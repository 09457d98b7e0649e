/**
 * How far the depth margins of one body have moved between two openings. `behindMoved` answers for any body, wherever it
 * comes near the sheet; but a reading in the middle of a window hardly moves it at its upper end, and that is where most
 * bodies come near it. Where that is sure (`SheetEnds`) the move is taken over those heights alone.
 */
import type { FitOpening } from '../shapes';
import { sheetFit } from '../sheetFit';
import type { CatalogueIndex } from './CatalogueIndex';
import type { OpeningFacts } from './OpeningFacts';
import { FARTHEST_GAP_MM, limitsOf, SheetEnds, type SheetLimits } from './SheetEnds';

/** From one sheet to another: the difference, and what both stay within. */
type SheetMove = { readonly c0: number; readonly c2: number; readonly c3: number; readonly limits: SheetLimits };

export class DepthMoves {
  private readonly moves: (SheetMove | null)[] = [];
  private readonly ends: SheetEnds;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly facts: Pick<OpeningFacts, 'offsetMm'>,
  ) {
    this.ends = new SheetEnds(index);
  }

  /** Notes what lies between the opening of an epoch and the latest. */
  compare(epoch: number, before: FitOpening, now: FitOpening): void {
    const [a, b] = [sheetFit(before)?.sheet, sheetFit(now)?.sheet];
    const limits = a && b ? limitsOf(a, b) : null;
    this.moves[epoch] = a && b && limits ? { c0: b.c0 - a.c0, c2: b.c2 - a.c2, c3: b.c3 - a.c3, limits } : null;
  }

  /**
   * The most that a depth margin not above 0 can have risen since an epoch, mm; negative where it has surely sunk.
   *
   * @param askedMm the clearance: such a margin's gap is no more
   * @param anywhereMm what holds for any body
   */
  riseMm(speaker: number, epoch: number, askedMm: number, anywhereMm: number): number {
    const move = this.moves[epoch];
    if (!move || !this.place(speaker, move, Math.max(0, askedMm))) return anywhereMm;
    const most = this.most(move, 1);
    return most >= 0 ? most : most / Math.sqrt(1 + this.ends.steep * this.ends.steep);
  }

  /** The most that any depth margin can have sunk since an epoch, mm. */
  sunkMm(speaker: number, epoch: number, anywhereMm: number): number {
    const move = this.moves[epoch];
    if (!move || !this.place(speaker, move, FARTHEST_GAP_MM)) return anywhereMm;
    return Math.max(0, this.most(move, -1));
  }

  private place(speaker: number, { limits }: SheetMove, gapMm: number): boolean {
    const offset = this.facts.offsetMm[this.index.speakerClass[speaker] as number] as number;
    return this.ends.place(speaker, offset, limits, gapMm);
  }

  /** The greatest of the move, or of its opposite, between the heights of the feet. */
  private most({ c0, c2, c3 }: SheetMove, sign: 1 | -1): number {
    const { lowMm, highMm } = this.ends;
    const at = (y: number) => sign * (c0 + (c2 + c3 * y) * y);
    const vertex = c3 === 0 ? lowMm : Math.max(lowMm, Math.min(highMm, -c2 / (2 * c3)));
    return Math.max(at(lowMm), at(highMm), at(vertex));
  }
}
