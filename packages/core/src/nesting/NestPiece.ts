/** What is laid, and on what: mm. */

export type NestPiece = {
  /** Of an ellipse, or of the box about what is none. */
  readonly halfLengthMm: number;
  readonly halfWidthMm: number;
  /** Of what is no ellipse: its corners about the middle of its box. */
  readonly corners?: readonly { readonly xMm: number; readonly yMm: number }[];
  /** mm², of what is no ellipse: without its throat. */
  readonly netMm2?: number;
  /** What is left over in its middle, for a smaller piece; null where that is not whole. */
  readonly throat: { readonly halfLengthMm: number; readonly halfWidthMm: number } | null;
};

/** What is cut is beside its edge by half the kerf, and whole. */
export type Sheet = { readonly lengthMm: number; readonly widthMm: number; readonly kerfMm: number };
