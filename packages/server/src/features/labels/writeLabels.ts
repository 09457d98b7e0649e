/** Labels as a PDF, at their size: nothing is to be fitted to the page when it is printed. */
import {
  type Box,
  type LabelSheet,
  labelLayout,
  labelPlaces,
  PAPER_MM,
  type SymbolKind,
} from '@low-quarry/core/labels';
import PDFDocument from 'pdfkit';
import { drawSymbol } from './drawSymbol';
import { printFonts, runsOf, type Weight } from './printFonts';

export type Label = {
  /** What a scanner reads off it. */
  readonly code: string;
  /** Large, beside the next ones where there is room; what has none goes among the lines. */
  readonly head: readonly [string, ...string[]];
  readonly lines: readonly string[];
};

export type LabelOrder = {
  readonly labels: readonly Label[];
  readonly sheet: LabelSheet;
  readonly symbol: SymbolKind;
  /** The first label that is still on the sheet; the first is 1. */
  readonly first: number;
};

/** A point is 1/72 inch (ISO 32000-1, 8.3.2.3). */
const POINTS = 72 / 25.4;
/** Sizes of letters, mm from one line to the next. */
const HEAD_MM = { most: 6, together: 4, least: 2.6 };
const LINE_MM = 3.2;
/** Of a line's height, the letters' size. */
const LETTERS = 0.8;
const MORE = '…';

/** @throws AppError where a code does not go onto a label of this size so that it can be read */
export async function writeLabels({ labels, sheet, symbol, first }: LabelOrder): Promise<Uint8Array> {
  const { width, height } = PAPER_MM[sheet.paper];
  const [font] = printFonts();
  const doc = new PDFDocument({
    size: [width * POINTS, height * POINTS],
    margin: 0,
    autoFirstPage: false,
    ...(font && { font: font.file }),
    info: { Title: 'Labels', Creator: 'Low Quarry', Producer: 'Low Quarry' },
  });
  for (const { name, file } of printFonts()) doc.registerFont(name, file);
  const written = collect(doc);
  const { symbol: symbolBox, words } = labelLayout(sheet, symbol);
  let page = -1;
  for (const [at, place] of labelPlaces(sheet, labels.length, first).entries()) {
    for (; page < place.page; page++) doc.addPage();
    const label = labels[at] as Label;
    for (const { xMm, yMm, widthMm, heightMm } of drawSymbol(symbol, label.code, symbolBox)) {
      const [x, y] = [place.xMm + symbolBox.xMm + xMm, place.yMm + symbolBox.yMm + yMm];
      doc.rect(x * POINTS, y * POINTS, widthMm * POINTS, heightMm * POINTS);
    }
    doc.fill('black');
    writeWords(doc, label, { ...words, xMm: place.xMm + words.xMm, yMm: place.yMm + words.yMm });
  }
  doc.end();
  return written;
}

/** The head as large as it goes in one line, then as many lines as there is room for. */
function writeWords(doc: PDFKit.PDFDocument, { head, lines }: Label, box: Box): void {
  const most = Math.min(HEAD_MM.most, box.heightMm / 2);
  const sizeOf = (text: string) => most * Math.min(1, box.widthMm / widthOf(doc, text, 700, most));
  const together = head.join('  ');
  const isTogether = head.length === 1 || sizeOf(together) >= Math.min(HEAD_MM.together, most);
  const [first, ...rest] = isTogether ? [together] : head;
  const headMm = Math.max(HEAD_MM.least, sizeOf(first));
  writeLine(doc, fitted(doc, first, 700, headMm, box.widthMm), 700, headMm, box.xMm, box.yMm);
  const room = Math.floor((box.heightMm - headMm) / LINE_MM);
  const wrapped = [...rest, ...lines].flatMap((line) => broken(doc, line, box.widthMm));
  const shown = wrapped.slice(0, room);
  for (const [at, line] of shown.entries()) {
    const isCut = at === room - 1 && wrapped.length > room;
    const text = isCut ? fitted(doc, `${line} ${MORE}`, 400, LINE_MM, box.widthMm) : line;
    writeLine(doc, text, 400, LINE_MM, box.xMm, box.yMm + headMm + at * LINE_MM);
  }
}

/** A text as lines that are not wider than they may be, broken between words where it goes. */
function broken(doc: PDFKit.PDFDocument, text: string, widthMm: number): readonly string[] {
  const lines: string[] = [];
  let line = '';
  for (const word of text.split(' ')) {
    const longer = line === '' ? word : `${line} ${word}`;
    if (widthOf(doc, longer, 400, LINE_MM) <= widthMm) {
      line = longer;
      continue;
    }
    if (line !== '') lines.push(line);
    line = fitted(doc, word, 400, LINE_MM, widthMm);
  }
  return line === '' ? lines : [...lines, line];
}

/** As much of a text as goes into a width, saying that there is more. */
function fitted(doc: PDFKit.PDFDocument, text: string, weight: Weight, lineMm: number, widthMm: number): string {
  if (widthOf(doc, text, weight, lineMm) <= widthMm) return text;
  const letters = [...text.replace(MORE, '')];
  while (letters.length > 1 && widthOf(doc, `${letters.join('')}${MORE}`, weight, lineMm) > widthMm) letters.pop();
  return `${letters.join('').trimEnd()}${MORE}`;
}

function widthOf(doc: PDFKit.PDFDocument, text: string, weight: Weight, lineMm: number): number {
  let points = 0;
  for (const run of runsOf(text, weight)) {
    doc.font(run.font).fontSize(lineMm * LETTERS * POINTS);
    points += doc.widthOfString(run.text);
  }
  return points / POINTS;
}

function writeLine(
  doc: PDFKit.PDFDocument,
  text: string,
  weight: Weight,
  lineMm: number,
  xMm: number,
  yMm: number,
): void {
  let x = xMm * POINTS;
  for (const run of runsOf(text, weight)) {
    doc.font(run.font).fontSize(lineMm * LETTERS * POINTS);
    doc.text(run.text, x, yMm * POINTS, { lineBreak: false });
    x += doc.widthOfString(run.text);
  }
}

function collect(doc: PDFKit.PDFDocument): Promise<Uint8Array> {
  return new Promise((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on('data', (chunk: Buffer) => chunks.push(chunk));
    doc.on('end', () => resolve(Buffer.concat(chunks)));
    doc.on('error', reject);
  });
}
