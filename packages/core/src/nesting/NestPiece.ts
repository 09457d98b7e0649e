/** What is laid, and on what: mm. */

export type NestPiece = {
  readonly halfLengthMm: number;
  readonly halfWidthMm: number;
  /** What is left over in its middle, for a smaller piece; null where that is not whole. */
  readonly throat: { readonly halfLengthMm: number; readonly halfWidthMm: number } | null;
};

/** What is cut is beside its edge by half the kerf, and whole. */
export type Sheet = { readonly lengthMm: number; readonly widthMm: number; readonly kerfMm: number };
