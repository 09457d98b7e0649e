/** What a drawing is on paper: a grey map of its dots, as poppler draws a PDF, measured in mm from its lower left corner. */

export type Dots = { readonly isDark: (xMm: number, upMm: number) => boolean };
export const DOTS_PER_MM = 600 / 25.4;
/** Half of a line that is thin and grey at its edges. */
const DARK = 160;

type PlaceMm = readonly [xMm: number, upMm: number];

/** @param file a plain grey map of 600 dots an inch: its head is "P5", its width and height, 255 */
export function readDots(file: Uint8Array): Dots {
  const start = String.fromCharCode(...file.subarray(0, 64));
  const [head = '', width = '', height = ''] = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(start) ?? [];
  if (head === '') throw new Error('readDots: expected a grey map of 8 bits');
  return {
    isDark: (xMm, upMm) => {
      const [x, y] = [Math.round(xMm * DOTS_PER_MM), Number(height) - 1 - Math.round(upMm * DOTS_PER_MM)];
      return (file[head.length + y * Number(width) + x] ?? 255) < DARK;
    },
  };
}

/**
 * How far a line is, going from one place some way, mm: the middle of its dots.
 *
 * @throws where none is met
 */
export function lineAt({ isDark }: Dots, [x, y]: PlaceMm, [dx, dy]: PlaceMm, mostMm: number): number {
  const step = 1 / DOTS_PER_MM / 2;
  for (let at = 0; at < mostMm; at += step) {
    if (!isDark(x + dx * at, y + dy * at)) continue;
    let end = at;
    while (end < mostMm && isDark(x + dx * end, y + dy * end)) end += step;
    return (at + end) / 2;
  }
  throw new Error(`lineAt: expected a line from ${x}, ${y}`);
}

/**
 * The middle of a hole, by its edge: from outside towards it, beside the lines of its cross and below its words.
 *
 * @param at where it should be, to less than a third of its radius
 */
export function holeMiddle(dots: Dots, [x, y]: PlaceMm, radiusMm: number): PlaceMm {
  const [out, beside] = [radiusMm * 1.5, radiusMm / 3];
  const left = x - out + lineAt(dots, [x - out, y - beside], [1, 0], out);
  const right = x + out - lineAt(dots, [x + out, y - beside], [-1, 0], out);
  const low = y - out + lineAt(dots, [x - beside, y - out], [0, 1], out);
  const high = y + out - lineAt(dots, [x - beside, y + out], [0, -1], out);
  return [(left + right) / 2, (low + high) / 2];
}
