/** What a template shows, whatever file it goes into: outlines, holes with what they are for, its centre and which way is up. */
import type { PlaceMm } from './edges';
import { notchOf, notchWords } from './notch';
import { cutBore } from './sunkHeads';
import type { Edge, Template, TemplateHole } from './Template';

/** In the frame of the piece as it lies on the car: x to the right, y up, mm. */
export type Mark =
  | { readonly kind: 'outline'; readonly of: 'outside' | 'throat'; readonly edge: Edge }
  | { readonly kind: 'hole'; readonly hole: TemplateHole }
  /** A closed line to which a cutter goes down, and no further than it says. */
  | { readonly kind: 'groove'; readonly corners: readonly PlaceMm[]; readonly depthMm: number }
  | { readonly kind: 'line'; readonly from: PlaceMm; readonly to: PlaceMm }
  | { readonly kind: 'text'; readonly at: PlaceMm; readonly words: string; readonly sizeMm: number };

/** How far the lines of a cross reach beyond its hole, mm. */
const CROSS_MM = 1.5;
const WORDS_MM = 2.8;
/** How wide a letter is, of its height: about. */
const LETTER = 0.5;

export function templateMarks(template: Template): readonly Mark[] {
  const { outside, throat, holes } = template;
  const { xMm, yMm } = outside;
  const tip = { xMm, yMm: yMm + 20 };
  return [
    { kind: 'outline', of: 'outside', edge: outside },
    { kind: 'outline', of: 'throat', edge: throat },
    ...holes.flatMap((hole): Mark[] => [
      { kind: 'hole', hole },
      ...cross(hole, hole.diameterMm / 2 + CROSS_MM),
      {
        kind: 'text',
        at: { xMm: besideMm(hole, xMm), yMm: hole.yMm + 1 },
        words: holeWords(hole),
        sizeMm: WORDS_MM,
      },
    ]),
    ...wireMarks(template),
    ...cross({ xMm, yMm }, 5),
    { kind: 'line', from: { xMm, yMm: yMm + 8 }, to: tip },
    { kind: 'line', from: { xMm: xMm - 2, yMm: tip.yMm - 4 }, to: tip },
    { kind: 'line', from: { xMm: xMm + 2, yMm: tip.yMm - 4 }, to: tip },
    { kind: 'text', at: { xMm: xMm + 3, yMm: yMm + 15 }, words: 'UP', sizeMm: 4 },
  ];
}

/** The groove for the wire, across the piece, or its two edges where it is none; and its word beside it in the throat. */
function wireMarks(template: Template): readonly Mark[] {
  const notch = notchOf(template);
  if (!notch) return [];
  const { sides, at, depthMm } = notch;
  const [[a, b], [d, c]] = sides;
  return [
    ...(depthMm === null
      ? sides.map(([from, to]): Mark => ({ kind: 'line', from, to }))
      : [{ kind: 'groove', corners: [a, b, c, d], depthMm } as const]),
    { kind: 'text', at, words: 'WIRE', sizeMm: WORDS_MM },
  ];
}

/** Its words stand towards the middle, and not beyond the edge of the paper. */
function besideMm(hole: TemplateHole, middleMm: number): number {
  const clear = hole.diameterMm / 2 + 1;
  if (hole.xMm <= middleMm) return hole.xMm + clear;
  return hole.xMm - clear - holeWords(hole).length * WORDS_MM * LETTER;
}

function cross({ xMm, yMm }: PlaceMm, half: number): readonly Mark[] {
  return [
    { kind: 'line', from: { xMm: xMm - half, yMm }, to: { xMm: xMm + half, yMm } },
    { kind: 'line', from: { xMm, yMm: yMm - half }, to: { xMm, yMm: yMm + half } },
  ];
}

const HOLE_LETTERS: Readonly<Record<TemplateHole['of'], string>> = { car: 'C', speaker: 'S', box: 'B' };

/** "C Ø 4.5 mm, head Ø 9 mm, 3.2 mm deep": of the car, the speaker, or the box that it carries. */
export function holeWords({ diameterMm, of, sunk }: TemplateHole): string {
  const bore = cutBore({ sunk });
  const head = bore
    ? `, head Ø ${thousandth(bore.diameterMm)} mm, ${thousandth(bore.depthMm)} mm deep`
    : sunk === 'byHand'
      ? ', head sunk by hand'
      : '';
  return `${HOLE_LETTERS[of]} Ø ${thousandth(diameterMm)} mm${head}`;
}

const HOLE_LEGEND: Readonly<Record<TemplateHole['of'], string>> = {
  car: 'C: a screw of the car.',
  speaker: 'S: a screw of the speaker.',
  box: 'B: a screw or a tie of the box.',
};

/** To a thousandth of a millimetre. */
export function thousandth(value: number): number {
  return Math.round(value * 1000) / 1000 + 0;
}

/** What stands above it on any paper. */
export function headLines(
  { thicknessMm, leastWallMm, pilotMm }: Pick<Template, 'thicknessMm' | 'leastWallMm' | 'pilotMm'>,
  side: string,
): readonly string[] {
  return [
    side,
    'Laid on the car as it is read here, the arrow up. Each side has its own: the other one is mirrored.',
    `Sheet ${thousandth(thicknessMm)} mm. Least wall ${thousandth(leastWallMm)} mm. Drill small first; a depth stop where something lies behind.`,
    `A screw into the sheet itself: its pilot at most ${pilotMm} mm deep, and the depth stop set to that.`,
  ];
}

/** The square that is measured before anything is cut, mm. */
export const CHECK_SQUARE_MM = 50;

/** What stands beside the square. @param paper such as A4 */
export function squareLines(paper: string, template: Template): readonly string[] {
  return [
    `Measure this square before cutting: ${CHECK_SQUARE_MM}.0 mm each way, on ${paper}.`,
    'Another length: the printer scaled it. Print at 100 %.',
    [...new Set(template.holes.map(({ of }) => HOLE_LEGEND[of]))].join(' '),
    ...notchWords(template),
  ];
}
