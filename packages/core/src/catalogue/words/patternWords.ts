/**
 * Screw holes in the trade's words, such as "4 holes 5 on 156 mm, first at 45°", "slots 4.5 × 9 at the corners of 190 × 133 mm, radial",
 * "holes 5 at 10/20, -10/20 slot 4 at 90°".
 */
import type { z } from 'zod';
import { fail, ok, type Result } from '../../result';
import { patternSchema } from '../boltPattern';
import { BY, NUMBER, printed, SIGNED, tidied, toNumber } from './figures';

export type PatternRecord = z.infer<typeof patternSchema>;
type Shape = PatternRecord['shape'];
type FreeHole = Extract<Shape, { kind: 'free' }>['holes'][number];

/** Where nothing is said of how wide they are; common practice, no source. */
export const USUAL_HOLE_MM = 5;
const WOULD = 'Words such as “4 holes 5 on 156 mm, first at 45°” would do.';

export function patternWords({ shape, holeDiameterMm, slotMm, slotRuns }: PatternRecord): string {
  const what =
    slotMm > 0
      ? `slots ${printed(holeDiameterMm)} × ${printed(holeDiameterMm + slotMm)}`
      : `holes ${printed(holeDiameterMm)}`;
  // What a plain hole's slot would run along says nothing, and is kept all the same.
  const runs = slotMm > 0 || slotRuns === 'radial' ? `, ${slotRuns}` : '';
  switch (shape.kind) {
    case 'circle':
      return `${shape.count} ${what} on ${printed(shape.diameterMm)} mm, first at ${printed(shape.firstAngleDeg)}°${runs}`;
    case 'rectangle':
      return `${what} at the corners of ${printed(shape.widthMm)} × ${printed(shape.heightMm)} mm${runs}`;
    case 'free':
      return `${what} at ${shape.holes.map(holeWords).join(', ')}${runs}`;
  }
}

function holeWords({ xMm, yMm, kind, slotMm, slotDeg }: FreeHole): string {
  const own = kind === 'plain' ? '' : ` ${kind} ${printed(slotMm)} at ${printed(slotDeg)}°`;
  return `${printed(xMm)}/${printed(yMm)}${own}`;
}

const WHAT = new RegExp(`^(?:(\\d{1,2}) )?(holes?|slots?)(?: ${NUMBER}(?:${BY}${NUMBER})?)?`);
const CIRCLE = new RegExp(`^ on(?: a circle of)? ${NUMBER}(?:,? first at ${SIGNED}°?)?`);
const CORNERS = new RegExp(`^ at the corners of ${NUMBER}${BY}${NUMBER}`);
const HOLE = new RegExp(`^,? ?${SIGNED}/${SIGNED}(?: (slot|keyhole) ${NUMBER} at ${SIGNED}°?)?`);
const RUNS = /^,? ?(radial|tangential)$/;

/** @returns what was read and what would do, where the words are none */
export function readPatternWords(text: string): Result<PatternRecord, string> {
  const words = tidied(text);
  const refused = fail(`“${words.slice(0, 60)}” was read. ${WOULD}`);
  const what = WHAT.exec(words);
  if (!what) return refused;
  const [whole, count, kind = '', width, length] = what;
  const shaped = readShape(words.slice(whole.length), count === undefined ? null : Number(count));
  if (!shaped) return refused;
  const holeDiameterMm = width === undefined ? USUAL_HOLE_MM : toNumber(width);
  const slotMm = length === undefined ? 0 : Number((toNumber(length) - holeDiameterMm).toFixed(3));
  if (slotMm < 0 || kind.startsWith('slot') !== slotMm > 0)
    return fail(
      `“${words.slice(0, 60)}” was read. Of slots the width and the longer length would do, such as “slots 4.5 × 9”.`,
    );
  const read = patternSchema.safeParse({ shape: shaped.shape, holeDiameterMm, slotMm, slotRuns: shaped.runs });
  if (read.success) return ok(read.data);
  const [issue] = read.error.issues;
  return fail(`${issue?.path.join('.')}: ${issue?.message}. ${WOULD}`);
}

function readShape(
  words: string,
  count: number | null,
): { readonly shape: Shape; readonly runs: PatternRecord['slotRuns'] } | null {
  const circle = CIRCLE.exec(words);
  if (circle && count !== null) {
    const [whole, diameter, first] = circle;
    const firstAngleDeg = first === undefined ? 180 / count : (toNumber(first) + 360) % 360;
    return withRuns(
      { kind: 'circle', count, diameterMm: toNumber(diameter), firstAngleDeg },
      words.slice(whole.length),
    );
  }
  const corners = CORNERS.exec(words);
  if (corners && (count ?? 4) === 4) {
    const [whole, width, height] = corners;
    return withRuns(
      { kind: 'rectangle', widthMm: toNumber(width), heightMm: toNumber(height) },
      words.slice(whole.length),
    );
  }
  if (!words.startsWith(' at ')) return null;
  const holes: FreeHole[] = [];
  let rest = words.slice(3);
  for (let hole = HOLE.exec(rest); hole; hole = HOLE.exec(rest)) {
    const [whole, x, y, kind = 'plain', slot, deg] = hole;
    holes.push({
      ...{ xMm: toNumber(x), yMm: toNumber(y), kind: kind as FreeHole['kind'] },
      ...{ slotMm: slot === undefined ? 0 : toNumber(slot), slotDeg: deg === undefined ? 0 : toNumber(deg) },
    });
    rest = rest.slice(whole.length);
  }
  return count === null || count === holes.length ? withRuns({ kind: 'free', holes }, rest) : null;
}

function withRuns(shape: Shape, rest: string) {
  if (rest.trim() === '') return { shape, runs: 'tangential' as const };
  const [, runs] = RUNS.exec(rest) ?? [];
  return runs === undefined ? null : { shape, runs: runs as PatternRecord['slotRuns'] };
}
