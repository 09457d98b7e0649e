/**
 * A template as PDF at 1:1: on one sheet where it goes on one, else on as many as it takes, with crosses by which they are laid together. A printer
 * that scales is found by the square, and made up for by what the square measured.
 */
import { degrees, PDFDocument, type PDFFont, type PDFPage, rgb, StandardFonts } from 'pdf-lib';
import {
  CHECK_SQUARE_MM,
  cutBore,
  edgeLine,
  headLines,
  type Mark,
  squareLines,
  type Template,
  type TemplateWords,
  templateMarks,
} from '../template';

export const PAPERS = {
  A4: { name: 'A4', widthMm: 210, heightMm: 297 },
  Letter: { name: 'Letter', widthMm: 215.9, heightMm: 279.4 },
} as const;
export type PaperName = keyof typeof PAPERS;

/** What the printer makes of 1 mm, across and up: 1 where it prints at 100 %. */
export type PrinterScale = { readonly across: number; readonly up: number };

export type PdfOptions = { readonly paper: PaperName; readonly scale?: PrinterScale };

const MARGIN_MM = 10;
const HEAD_MM = 34;
const GAP_MM = 3;
/** Two sheets show this strip both, mm. */
const OVERLAP_MM = 10;
/** For the words at the foot of one of several sheets. */
const FOOT_MM = 12;
const POINTS_PER_MM = 72 / 25.4;
const LINE_MM = 0.25;
const THIN_MM = 0.15;
/** Without a colour of its line a shape is filled. */
const OUTLINED = { borderWidth: LINE_MM * POINTS_PER_MM, borderColor: rgb(0, 0, 0) };

type PlaceMm = { readonly xMm: number; readonly yMm: number };
type Sheet = { readonly page: PDFPage; readonly font: PDFFont; readonly scale: PrinterScale };

/** What the printer makes of 1 mm, by what was measured of the square. @throws RangeError where that is no print of it */
export function printerScale(acrossMm: number, upMm: number): PrinterScale {
  for (const measured of [acrossMm, upMm])
    if (!(measured > CHECK_SQUARE_MM / 2 && measured < CHECK_SQUARE_MM * 2))
      throw new RangeError(
        `The square is ${CHECK_SQUARE_MM} mm each way; ${measured} mm was read. Measure it again, in mm, both ways.`,
      );
  return { across: acrossMm / CHECK_SQUARE_MM, up: upMm / CHECK_SQUARE_MM };
}

/** @returns the file, and how many sheets it is */
export async function pdfFile(
  template: Template,
  words: TemplateWords,
  { paper: name, scale = { across: 1, up: 1 } }: PdfOptions,
): Promise<{ readonly bytes: Uint8Array; readonly sheets: number }> {
  const paper = PAPERS[name];
  const pdf = await PDFDocument.create();
  pdf.setTitle(words.title);
  const font = await pdf.embedFont(StandardFonts.Helvetica);
  const newSheet = (): Sheet => {
    const page = pdf.addPage([paper.widthMm * POINTS_PER_MM, paper.heightMm * POINTS_PER_MM]);
    return { page, font, scale };
  };
  const { outside } = template;
  const half = Math.max(outside.halfLengthMm, outside.halfWidthMm);
  // On the sheet as it has to be for the printer to make it as large as it is.
  const [wide, high] = [(2 * half) / scale.across, (2 * half) / scale.up];
  const [roomAcross, roomUp] = [paper.widthMm - 2 * MARGIN_MM, paper.heightMm - 2 * MARGIN_MM];
  const squareUp = CHECK_SQUARE_MM / scale.up;
  const first = newSheet();
  writeHead(first, template, words, paper);
  if (wide <= roomAcross && high <= roomUp - HEAD_MM - squareUp - GAP_MM) {
    const middle = { xMm: paper.widthMm / 2, yMm: paper.heightMm - MARGIN_MM - HEAD_MM - high / 2 };
    draw(first, template, middle);
    return { bytes: await pdf.save(), sheets: 1 };
  }
  const [stepAcross, stepUp] = [roomAcross - OVERLAP_MM, roomUp - FOOT_MM - OVERLAP_MM];
  const [columns, rows] = [Math.ceil(wide / stepAcross), Math.ceil(high / stepUp)];
  write(
    first,
    { xMm: MARGIN_MM, yMm: paper.heightMm - MARGIN_MM - HEAD_MM - 8 },
    `On ${columns * rows} sheets more, ${rows} high and ${columns} wide: laid together so that their crosses meet.`,
    4,
  );
  for (let row = 0; row < rows; row++)
    for (let column = 0; column < columns; column++) {
      const sheet = newSheet();
      // The first row is the upper one.
      const middle = {
        xMm: MARGIN_MM + OVERLAP_MM / 2 + wide / 2 - column * stepAcross,
        yMm: paper.heightMm - MARGIN_MM - OVERLAP_MM / 2 - high / 2 + row * stepUp,
      };
      draw(sheet, template, middle);
      for (const across of [0, 1])
        for (const up of [0, 1]) {
          const xMm = MARGIN_MM + OVERLAP_MM / 2 + across * stepAcross;
          cross(sheet, { xMm, yMm: paper.heightMm - MARGIN_MM - OVERLAP_MM / 2 - up * stepUp });
        }
      write(
        sheet,
        { xMm: MARGIN_MM, yMm: MARGIN_MM },
        `${words.title}. ${words.side}. Row ${row + 1} of ${rows}, column ${column + 1} of ${columns}.`,
        3.5,
      );
    }
  return { bytes: await pdf.save(), sheets: 1 + columns * rows };
}

function writeHead(
  sheet: Sheet,
  template: Template,
  { title, side }: TemplateWords,
  paper: (typeof PAPERS)[PaperName],
) {
  const top = paper.heightMm - MARGIN_MM;
  write(sheet, { xMm: MARGIN_MM, yMm: top - 5 }, title, 5);
  headLines(template, side).forEach((line, at) => {
    write(sheet, { xMm: MARGIN_MM, yMm: top - 12 - 6 * at }, line, at === 0 ? 4.5 : 3.2);
  });
  const { across, up } = sheet.scale;
  const [wide, high] = [CHECK_SQUARE_MM / across, CHECK_SQUARE_MM / up];
  sheet.page.drawRectangle({
    ...{ x: points(MARGIN_MM), y: points(MARGIN_MM), width: points(wide), height: points(high) },
    ...OUTLINED,
  });
  const lines = squareLines(paper.name, template);
  const corrected = across === 1 && up === 1 ? [] : ['Made up for what this printer makes of it.'];
  [...lines, ...corrected].forEach((line, at) => {
    write(sheet, { xMm: MARGIN_MM + wide + 4, yMm: MARGIN_MM + high - 6 * (at + 1) }, line, 3.2);
  });
}

/** @param middle of the piece, on the sheet */
function draw(sheet: Sheet, template: Template, middle: PlaceMm): void {
  const { across, up } = sheet.scale;
  const place = ({ xMm, yMm }: PlaceMm) => ({
    xMm: middle.xMm + (xMm - template.outside.xMm) / across,
    yMm: middle.yMm + (yMm - template.outside.yMm) / up,
  });
  for (const mark of templateMarks(template)) drawMark(sheet, mark, place);
}

function drawMark(sheet: Sheet, mark: Mark, place: (at: PlaceMm) => PlaceMm): void {
  const { page, scale } = sheet;
  if (mark.kind === 'line') line(sheet, place(mark.from), place(mark.to));
  else if (mark.kind === 'text') write(sheet, place(mark.at), mark.words, mark.sizeMm);
  else if (mark.kind === 'hole') {
    const { xMm, yMm } = place(mark.hole);
    const radius = mark.hole.diameterMm / 2;
    const circle = (radiusMm: number) =>
      page.drawEllipse({
        ...{ x: points(xMm), y: points(yMm) },
        ...{ xScale: points(radiusMm / scale.across), yScale: points(radiusMm / scale.up) },
        ...OUTLINED,
      });
    circle(radius);
    const bore = cutBore(mark.hole);
    if (bore) circle(bore.diameterMm / 2);
  } else if (mark.kind === 'groove') closedLine(sheet, mark.corners.map(place));
  else if (mark.edge.corners || scale.across !== scale.up) {
    // Stretched one way a turned ellipse is another one: by chords that leave it by no more than a hundredth of a millimetre.
    closedLine(sheet, edgeLine(mark.edge, CHORD_MM).map(place));
  } else {
    const { edge } = mark;
    const { xMm, yMm } = place(edge);
    page.drawEllipse({
      ...{ x: points(xMm), y: points(yMm), rotate: degrees((edge.angleRad * 180) / Math.PI) },
      ...{ xScale: points(edge.halfLengthMm / scale.across), yScale: points(edge.halfWidthMm / scale.across) },
      ...OUTLINED,
    });
  }
}

const CHORD_MM = 0.01;

function closedLine(sheet: Sheet, places: readonly PlaceMm[]): void {
  places.forEach((from, at) => {
    line(sheet, from, places[(at + 1) % places.length] as PlaceMm, LINE_MM);
  });
}

function cross(sheet: Sheet, { xMm, yMm }: PlaceMm): void {
  line(sheet, { xMm: xMm - 4, yMm }, { xMm: xMm + 4, yMm });
  line(sheet, { xMm, yMm: yMm - 4 }, { xMm, yMm: yMm + 4 });
}

function line({ page }: Sheet, from: PlaceMm, to: PlaceMm, widthMm = THIN_MM): void {
  page.drawLine({
    start: { x: points(from.xMm), y: points(from.yMm) },
    end: { x: points(to.xMm), y: points(to.yMm) },
    thickness: points(widthMm),
  });
}

function write({ page, font }: Sheet, { xMm, yMm }: PlaceMm, words: string, sizeMm: number): void {
  page.drawText(inFont(words, font), { x: points(xMm), y: points(yMm), size: points(sizeMm), font });
}

/** The font of every reader of PDF has the letters of western Europe: of another letter it has the one without its mark, or a question mark. */
function inFont(words: string, font: PDFFont): string {
  const has = new Set(font.getCharacterSet());
  return [...words]
    .map((letter) => {
      if (has.has(letter.codePointAt(0) ?? 0)) return letter;
      const plain = letter.normalize('NFKD').replaceAll(/\p{M}/gu, '');
      return plain !== '' && [...plain].every((each) => has.has(each.codePointAt(0) ?? 0)) ? plain : '?';
    })
    .join('');
}

function points(mm: number): number {
  return mm * POINTS_PER_MM;
}
