/**
 * A template as SVG at 1:1: its lengths are in millimetres of the paper, and a square to measure tells a printer that scales. Lines are
 * black, so that it is read on any printer.
 */
import type { EllipseMm } from '../geometry';
import type { Template, TemplateHole } from './Template';

export type TemplateWords = {
  /** Such as "Plate, 12 mm sheet, for Skerrivar Tide 6½". */
  readonly title: string;
  /** Such as "LEFT, seen from the cabin". */
  readonly side: string;
};

/** The square that is measured before anything is cut, mm. */
export const CHECK_SQUARE_MM = 50;
const PAPERS = [
  { name: 'A4', width: 210, height: 297 },
  { name: 'A3', width: 297, height: 420 },
] as const;
const MARGIN_MM = 10;
const HEAD_MM = 34;
/** Between the piece and the square. */
const GAP_MM = 3;

/** @returns null where it is larger than the largest paper it is drawn on */
export function templateSvg(
  { outside, throat, holes, thicknessMm, leastWallMm }: Template,
  words: TemplateWords,
): string | null {
  const across = 2 * Math.max(outside.halfLengthMm, outside.halfWidthMm);
  const paper = PAPERS.find(
    ({ width, height }) =>
      across <= width - 2 * MARGIN_MM && across <= height - 2 * MARGIN_MM - HEAD_MM - CHECK_SQUARE_MM - GAP_MM,
  );
  if (!paper) return null;
  const middle = { x: paper.width / 2, y: MARGIN_MM + HEAD_MM + across / 2 };
  const place = (xMm: number, yMm: number) => ({ x: round(middle.x + xMm), y: round(middle.y - yMm) });
  const square = { x: MARGIN_MM, y: round(paper.height - MARGIN_MM - CHECK_SQUARE_MM) };
  const lines = [
    words.side,
    'Laid on the car as it is read here, the arrow up. Each side has its own: the other one is mirrored.',
    `Sheet ${round(thicknessMm)} mm. Least wall ${round(leastWallMm)} mm. Drill small first; a depth stop where something lies behind.`,
  ];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${paper.width}mm" height="${paper.height}mm" viewBox="0 0 ${paper.width} ${paper.height}" font-family="sans-serif" fill="none" stroke="black" stroke-width="0.25">`,
    `<title>${escaped(words.title)}</title>`,
    text(MARGIN_MM, MARGIN_MM + 5, words.title, 5),
    ...lines.map((line, at) => text(MARGIN_MM, MARGIN_MM + 12 + at * 6, line, at === 0 ? 4.5 : 3.5)),
    ellipse('outside', outside, place),
    ellipse('throat', throat, place),
    ...holes.flatMap((hole) => holeMarks(hole, place)),
    cross(place(outside.xMm, outside.yMm), 5),
    ...upArrow(place(outside.xMm, outside.yMm)),
    `<rect id="square" x="${square.x}" y="${square.y}" width="${CHECK_SQUARE_MM}" height="${CHECK_SQUARE_MM}"/>`,
    text(
      square.x + CHECK_SQUARE_MM + 4,
      square.y + 6,
      `Measure this square before cutting: ${CHECK_SQUARE_MM}.0 mm each way, on ${paper.name}.`,
      3.5,
    ),
    text(square.x + CHECK_SQUARE_MM + 4, square.y + 12, 'Another length: the printer scaled it. Print at 100 %.', 3.5),
    text(square.x + CHECK_SQUARE_MM + 4, square.y + 18, 'C: a screw of the car. S: a screw of the speaker.', 3.5),
    '</svg>',
    '',
  ].join('\n');
}

type Place = { readonly x: number; readonly y: number };
type ToPaper = (xMm: number, yMm: number) => Place;

function ellipse(id: string, { xMm, yMm, halfLengthMm, halfWidthMm, angleRad }: EllipseMm, place: ToPaper): string {
  const { x, y } = place(xMm, yMm);
  // Anticlockwise is negative where y runs down.
  const turn = round((-angleRad * 180) / Math.PI);
  return `<ellipse id="${id}" cx="${x}" cy="${y}" rx="${round(halfLengthMm)}" ry="${round(halfWidthMm)}" transform="rotate(${turn} ${x} ${y})"/>`;
}

function holeMarks({ xMm, yMm, diameterMm, of, isSunk }: TemplateHole, place: ToPaper): readonly string[] {
  const at = place(xMm, yMm);
  const letter = of === 'car' ? 'C' : 'S';
  return [
    `<circle class="${of}" cx="${at.x}" cy="${at.y}" r="${round(diameterMm / 2)}"/>`,
    cross(at, diameterMm / 2 + 1.5),
    text(
      round(at.x + diameterMm / 2 + 1),
      round(at.y - 1),
      `${letter} ⌀ ${round(diameterMm)} mm${isSunk ? ', head sunk' : ''}`,
      2.8,
    ),
  ];
}

function cross({ x, y }: Place, half: number): string {
  const [left, right, top, bottom] = [x - half, x + half, y - half, y + half].map(round);
  return `<path d="M${left} ${y}H${right}M${x} ${top}V${bottom}" stroke-width="0.15"/>`;
}

function upArrow({ x, y }: Place): readonly string[] {
  return [
    `<path d="M${x} ${round(y - 8)}V${round(y - 20)}m-2 4l2 -4l2 4"/>`,
    text(round(x + 3), round(y - 15), 'UP', 4),
  ];
}

function text(x: number, y: number, words: string, size: number): string {
  return `<text x="${x}" y="${y}" font-size="${size}" fill="black" stroke="none">${escaped(words)}</text>`;
}

function escaped(words: string): string {
  return words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}

/** To a thousandth of a millimetre. */
function round(value: number): number {
  return Math.round(value * 1000) / 1000 + 0;
}
