/**
 * A template as SVG at 1:1: its lengths are in millimetres of the paper, and a square to measure tells a printer that scales. Lines are
 * black, so that it is read on any printer.
 */

import type { PlaceMm } from './edges';
import { CHECK_SQUARE_MM, headLines, type Mark, thousandth as round, squareLines, templateMarks } from './marks';
import { cutBore } from './sunkHeads';
import type { Edge, Template } from './Template';

export type TemplateWords = {
  /** Such as "Plate, 12 mm sheet, for Skerrivar Tide 6½". */
  readonly title: string;
  /** Such as "LEFT, seen from the cabin". */
  readonly side: string;
};

const PAPERS = [
  { name: 'A4', width: 210, height: 297 },
  { name: 'A3', width: 297, height: 420 },
] as const;
const MARGIN_MM = 10;
const HEAD_MM = 34;
/** Between the piece and the square. */
const GAP_MM = 3;

/** @returns null where it is larger than the largest paper it is drawn on */
export function templateSvg(template: Template, words: TemplateWords): string | null {
  const { outside } = template;
  const across = 2 * Math.max(outside.halfLengthMm, outside.halfWidthMm);
  const paper = PAPERS.find(
    ({ width, height }) =>
      across <= width - 2 * MARGIN_MM && across <= height - 2 * MARGIN_MM - HEAD_MM - CHECK_SQUARE_MM - GAP_MM,
  );
  if (!paper) return null;
  const middle = { x: paper.width / 2, y: MARGIN_MM + HEAD_MM + across / 2 };
  // A piece of several parts lies off its opening's centre; on paper it is in the middle.
  const place = ({ xMm, yMm }: { readonly xMm: number; readonly yMm: number }) => ({
    x: round(middle.x + xMm - outside.xMm),
    y: round(middle.y - yMm + outside.yMm),
  });
  const square = { x: MARGIN_MM, y: round(paper.height - MARGIN_MM - CHECK_SQUARE_MM) };
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${paper.width}mm" height="${paper.height}mm" viewBox="0 0 ${paper.width} ${paper.height}" font-family="sans-serif" fill="none" stroke="black" stroke-width="0.25">`,
    `<title>${escaped(words.title)}</title>`,
    text(MARGIN_MM, MARGIN_MM + 5, words.title, 5),
    ...headLines(template, words.side).map((line, at) =>
      text(MARGIN_MM, MARGIN_MM + 12 + at * 6, line, at === 0 ? 4.5 : 3.5),
    ),
    ...templateMarks(template).map((mark) => drawn(mark, place)),
    `<rect id="square" x="${square.x}" y="${square.y}" width="${CHECK_SQUARE_MM}" height="${CHECK_SQUARE_MM}"/>`,
    ...squareLines(paper.name, template).map((line, at) =>
      text(square.x + CHECK_SQUARE_MM + 4, square.y + 6 * (at + 1), line, 3.5),
    ),
    '</svg>',
    '',
  ].join('\n');
}

type Place = { readonly x: number; readonly y: number };
type ToPaper = (at: { readonly xMm: number; readonly yMm: number }) => Place;

function drawn(mark: Mark, place: ToPaper): string {
  switch (mark.kind) {
    case 'outline':
      return outline(mark.of, mark.edge, place);
    case 'hole': {
      const { x, y } = place(mark.hole);
      const { of, diameterMm } = mark.hole;
      const sunk = cutBore(mark.hole);
      const head = sunk ? `<circle class="head" cx="${x}" cy="${y}" r="${round(sunk.diameterMm / 2)}"/>` : '';
      return `<circle class="${of}" cx="${x}" cy="${y}" r="${round(diameterMm / 2)}"/>${head}`;
    }
    case 'groove':
      return closed('groove', mark.corners, place);
    case 'line': {
      const [from, to] = [place(mark.from), place(mark.to)];
      return `<path d="M${from.x} ${from.y}L${to.x} ${to.y}" stroke-width="0.15"/>`;
    }
    case 'text': {
      const { x, y } = place(mark.at);
      return text(x, y, mark.words, mark.sizeMm);
    }
  }
}

function closed(id: string, corners: readonly PlaceMm[], place: ToPaper): string {
  const places = corners.map((each) => place(each)).map(({ x, y }) => `${x} ${y}`);
  return `<path id="${id}" d="M${places.join('L')}Z"/>`;
}

function outline(id: string, at: Edge, place: ToPaper): string {
  if (at.corners) return closed(id, at.corners, place);
  const { x, y } = place(at);
  // Anticlockwise is negative where y runs down.
  const turn = round((-at.angleRad * 180) / Math.PI);
  return `<ellipse id="${id}" cx="${x}" cy="${y}" rx="${round(at.halfLengthMm)}" ry="${round(at.halfWidthMm)}" transform="rotate(${turn} ${x} ${y})"/>`;
}

function text(x: number, y: number, words: string, size: number): string {
  return `<text x="${x}" y="${y}" font-size="${size}" fill="black" stroke="none">${escaped(words)}</text>`;
}

function escaped(words: string): string {
  return words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
}
