/**
 * Sheets of labels: where on the paper each label lies. The sizes are those that label sheets are commonly sold in (common practice, no
 * source); a sheet of one's own is described by what a ruler says of it.
 */
import { z } from 'zod';

export const PAPER_MM = { a4: { width: 210, height: 297 }, letter: { width: 215.9, height: 279.4 } } as const;
export type Paper = keyof typeof PAPER_MM;

const count = (most: number) => z.coerce.number().int().min(1).max(most);
const mm = z.coerce.number().min(0).max(300);

/** All lengths in mm; the pitch is from one label's edge to the same edge of the next. */
const fields = z.object({
  paper: z.enum(['a4', 'letter']),
  columns: count(10),
  rows: count(30),
  widthMm: mm,
  heightMm: mm,
  leftMm: mm,
  topMm: mm,
  pitchXMm: mm,
  pitchYMm: mm,
});
export type LabelSheet = z.output<typeof fields>;

/** Says at its fields why a sheet cannot be: for schemas with more in them too. */
export function requirePossible(sheet: LabelSheet, context: Pick<z.RefinementCtx, 'addIssue'>): void {
  for (const { path, message } of sheetFaults(sheet)) context.addIssue({ code: 'custom', path: [path], message });
}

export const labelSheetSchema = fields.superRefine(requirePossible);

export const SHEETS = {
  '3x7': { paper: 'a4', columns: 3, rows: 7, ...size(63.5, 38.1), ...from(7.2, 15.1), ...pitch(66, 38.1) },
  '3x8': { paper: 'a4', columns: 3, rows: 8, ...size(70, 37), ...from(0, 0.5), ...pitch(70, 37) },
  '5x13': { paper: 'a4', columns: 5, rows: 13, ...size(38.1, 21.2), ...from(4.7, 10.7), ...pitch(40.6, 21.2) },
  '3x10': { paper: 'letter', columns: 3, rows: 10, ...size(66.7, 25.4), ...from(4.8, 12.7), ...pitch(69.85, 25.4) },
} as const satisfies Readonly<Record<string, LabelSheet>>;
export type SheetName = keyof typeof SHEETS;

export const SMALLEST_LABEL_MM = { width: 25, height: 12 } as const;
/** What rounding of figures in inches and millimetres may add up to. */
const SLACK_MM = 0.2;

type Fault = { readonly path: keyof LabelSheet; readonly message: string };

/** Why a sheet cannot be: too small to read, labels over one another, over the paper's edge. */
function sheetFaults(sheet: LabelSheet): readonly Fault[] {
  const { width, height } = PAPER_MM[sheet.paper];
  const { columns, rows, widthMm, heightMm, leftMm, topMm, pitchXMm, pitchYMm } = sheet;
  const right = leftMm + (columns - 1) * pitchXMm + widthMm;
  const bottom = topMm + (rows - 1) * pitchYMm + heightMm;
  const faults: (Fault | false)[] = [
    widthMm < SMALLEST_LABEL_MM.width && {
      path: 'widthMm',
      message: `${widthMm} mm was read: a label needs ${SMALLEST_LABEL_MM.width} mm or more.`,
    },
    heightMm < SMALLEST_LABEL_MM.height && {
      path: 'heightMm',
      message: `${heightMm} mm was read: a label needs ${SMALLEST_LABEL_MM.height} mm or more.`,
    },
    columns > 1 &&
      pitchXMm < widthMm && { path: 'pitchXMm', message: `At ${pitchXMm} mm labels of ${widthMm} mm overlap.` },
    rows > 1 &&
      pitchYMm < heightMm && { path: 'pitchYMm', message: `At ${pitchYMm} mm labels of ${heightMm} mm overlap.` },
    right > width + SLACK_MM && {
      path: 'columns',
      message: `The last column ends at ${tenths(right)} mm, and the paper at ${width} mm.`,
    },
    bottom > height + SLACK_MM && {
      path: 'rows',
      message: `The last row ends at ${tenths(bottom)} mm, and the paper at ${height} mm.`,
    },
  ];
  return faults.filter((fault) => fault !== false);
}

export type LabelPlace = {
  /** The first is 0. */
  readonly page: number;
  /** Of its upper left corner, from that of the paper. */
  readonly xMm: number;
  readonly yMm: number;
};

/**
 * Where labels go, row by row.
 *
 * @param first of the first label that is still on the sheet; the first is 1
 */
export function labelPlaces(sheet: LabelSheet, labels: number, first: number): readonly LabelPlace[] {
  const { columns, rows, leftMm, topMm, pitchXMm, pitchYMm } = sheet;
  return Array.from({ length: labels }, (_, index) => {
    const at = index + first - 1;
    const onPage = at % (columns * rows);
    return {
      page: Math.floor(at / (columns * rows)),
      xMm: leftMm + (onPage % columns) * pitchXMm,
      yMm: topMm + Math.floor(onPage / columns) * pitchYMm,
    };
  });
}

function size(widthMm: number, heightMm: number) {
  return { widthMm, heightMm };
}

function from(leftMm: number, topMm: number) {
  return { leftMm, topMm };
}

function pitch(pitchXMm: number, pitchYMm: number) {
  return { pitchXMm, pitchYMm };
}

function tenths(lengthMm: number): number {
  return Math.round(lengthMm * 10) / 10;
}
