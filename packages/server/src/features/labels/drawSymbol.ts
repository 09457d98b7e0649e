/** Symbols as rectangles, their elements worked out by a library, drawn where a label has room for them. */
import { type Box, elementMm, LEAST_ELEMENT_MM, QUIET, type SymbolKind } from '@low-quarry/core/labels';
import bwip from 'bwip-js/node';
import { refused } from '../../http/AppError';

/** Black, on a label; mm from the symbol's upper left corner. */
export type Dark = Box;

/** Error correction M: a tenth of a label may be torn or dirty (ISO/IEC 18004: about 15 %). */
const QR_OPTIONS = { eclevel: 'M' };

type Matrix = { readonly pixs: ArrayLike<number>; readonly pixx: number; readonly pixy: number };
type Bars = { readonly sbs: ArrayLike<number> };

/**
 * @param code what a scanner reads off it
 * @throws AppError where its elements would be too small to be read
 */
export function drawSymbol(kind: SymbolKind, code: string, box: Box): readonly Dark[] {
  return kind === 'qr' ? drawQr(code, box) : drawBars(code, box);
}

function drawQr(code: string, box: Box): readonly Dark[] {
  const { pixs, pixx, pixy } = raw('qrcode', code, QR_OPTIONS) as Matrix;
  const side = readable('qr', code, box, pixx);
  const free = QUIET.qr * side;
  const dark: Dark[] = [];
  for (let y = 0; y < pixy; y++) {
    // Neighbours in a row are one rectangle, so that no hair line shows between them.
    for (let x = 0; x < pixx; x++) {
      let length = 0;
      while (x + length < pixx && pixs[y * pixx + x + length]) length++;
      if (length === 0) continue;
      dark.push({ xMm: free + x * side, yMm: free + y * side, widthMm: length * side, heightMm: side });
      x += length;
    }
  }
  return dark;
}

function drawBars(code: string, box: Box): readonly Dark[] {
  const { sbs } = raw('code128', code, {}) as Bars;
  const widths = Array.from(sbs);
  const elements = widths.reduce((sum, width) => sum + width, 0);
  const bar = readable('code128', code, box, elements);
  const dark: Dark[] = [];
  let at = QUIET.code128;
  for (const [index, width] of widths.entries()) {
    if (index % 2 === 0) dark.push({ xMm: at * bar, yMm: 0, widthMm: width * bar, heightMm: box.heightMm });
    at += width;
  }
  return dark;
}

function raw(bcid: string, text: string, options: object): unknown {
  const [first] = bwip.raw({ bcid, text, ...options } as never);
  return first;
}

function readable(kind: SymbolKind, code: string, box: Box, elements: number): number {
  const size = elementMm(box, kind, elements);
  if (size >= LEAST_ELEMENT_MM[kind]) return size;
  const what = kind === 'qr' ? 'squares' : 'bars';
  const cure = kind === 'qr' ? 'Choose larger labels' : 'Choose a QR code, or wider labels';
  const message = `“${code}” would have ${what} of ${size.toFixed(2)} mm on this label, and a scanner needs ${LEAST_ELEMENT_MM[kind]}. ${cure}.`;
  throw refused(message, [{ path: 'symbol', message }]);
}
