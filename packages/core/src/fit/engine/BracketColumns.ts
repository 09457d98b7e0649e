/** The figures of a catalogue's brackets in flat arrays, with one more place for "no bracket". */
import type { FitBracket } from '../shapes';

export class BracketColumns {
  /** The place that stands for no bracket: it is 0 mm high, costs nothing and lets anything through. */
  readonly none: number;
  readonly heightMm: Float64Array;
  readonly heightVariance: Float64Array;
  readonly costMinor: Float64Array;
  /** Infinity for no bracket, NaN for a throat that is not round. */
  readonly throatRadiusMm: Float64Array;
  /** NaN where there is no wire notch. */
  readonly notchRad: Float64Array;
  readonly isOffset: Uint8Array;

  constructor(brackets: readonly FitBracket[]) {
    this.none = brackets.length;
    const column = (none: number, of: (bracket: FitBracket) => number) =>
      Float64Array.from({ length: brackets.length + 1 }, (_, at) => {
        const bracket = brackets[at];
        return bracket ? of(bracket) : none;
      });
    this.heightMm = column(0, ({ height }) => height.valueMm);
    this.heightVariance = column(0, ({ height }) => height.uncertaintyMm ** 2);
    this.costMinor = column(0, ({ pieceCostMinor }) => pieceCostMinor);
    this.throatRadiusMm = column(Number.POSITIVE_INFINITY, ({ throat }) =>
      throat.kind === 'circle' ? throat.diameter.valueMm / 2 : Number.NaN,
    );
    this.notchRad = column(Number.NaN, ({ notchRad }) => notchRad ?? Number.NaN);
    this.isOffset = Uint8Array.from(
      column(0, ({ offsetXMm, offsetYMm }) => (offsetXMm !== 0 || offsetYMm !== 0 ? 1 : 0)),
    );
  }
}
