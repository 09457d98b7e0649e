/**
 * The symbol on a label: how large its smallest element gets, and whether a scanner can read that. QR codes by ISO/IEC 18004, with 4
 * elements left free around them; Code 128 by ISO/IEC 15417, with 10 left free on both sides.
 */

export const SYMBOLS = ['qr', 'code128'] as const;
export type SymbolKind = (typeof SYMBOLS)[number];

export const QUIET = { qr: 4, code128: 10 } as const;
/** Smaller elements are not read by what shops use: a quarter of a millimetre for a bar, a third for a QR code (common practice, no source). */
export const LEAST_ELEMENT_MM = { qr: 0.33, code128: 0.25 } as const;

const PAD_MM = 2;
/** Of a label's width, for a QR code; the rest is for people. */
const QR_SHARE = 0.45;
const BAR_SHARE = 0.35;
const LEAST_BAR_MM = 5;

export type Box = { readonly xMm: number; readonly yMm: number; readonly widthMm: number; readonly heightMm: number };
/** Where on a label the symbol goes with what is left free around it, and where the words go; from the label's upper left corner. */
export type LabelLayout = { readonly symbol: Box; readonly words: Box };

type Size = { readonly widthMm: number; readonly heightMm: number };

/** A QR code at the left with the words beside it; bars below the words, from side to side. */
export function labelLayout({ widthMm, heightMm }: Size, symbol: SymbolKind): LabelLayout {
  const inner = { xMm: PAD_MM, yMm: PAD_MM, widthMm: widthMm - 2 * PAD_MM, heightMm: heightMm - 2 * PAD_MM };
  if (symbol === 'qr') {
    const side = Math.min(inner.heightMm, widthMm * QR_SHARE);
    return {
      symbol: { xMm: PAD_MM / 2, yMm: (heightMm - side) / 2, widthMm: side, heightMm: side },
      words: { ...inner, xMm: PAD_MM / 2 + side, widthMm: widthMm - side - PAD_MM * 1.5 },
    };
  }
  const bar = Math.max(LEAST_BAR_MM, inner.heightMm * BAR_SHARE);
  return {
    symbol: { xMm: 0, yMm: heightMm - PAD_MM - bar, widthMm, heightMm: bar },
    words: { ...inner, heightMm: inner.heightMm - bar - 1 },
  };
}

/**
 * How wide an element of a symbol gets.
 *
 * @param elements of the symbol from side to side, without what is left free
 */
export function elementMm(box: Box, symbol: SymbolKind, elements: number): number {
  return box.widthMm / (elements + 2 * QUIET[symbol]);
}
