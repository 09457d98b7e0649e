/**
 * What others read out of the files of a piece, held against the piece: the PDF drawn by poppler at 600 dpi and measured in its dots, the DXF
 * read by ezdxf, the solid by admesh.
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from '@jest/globals';
import { PDFDocument } from 'pdf-lib';
import type { EllipseMm } from '../geometry';
import { type Template, type TemplateHole, templateAt } from '../template';
import { type Dots, holeMiddle, lineAt, readDots } from '../testing/paperDots';
import { dxfFile, sheetDxf } from './dxfFile';
import { type PaperName, type PrinterScale, pdfFile, printerScale } from './pdfFile';
import { stlFile } from './stlFile';

const WORDS = { title: 'Ring for Front door, left: Tide <6½> łódź', side: 'LEFT, seen from the cabin' };
const MOST_OFF_MM = 0.1;

const ellipse = (halfLengthMm: number, halfWidthMm = halfLengthMm, angleRad = 0): EllipseMm => ({
  ...{ xMm: 1.5, yMm: -2.5, halfLengthMm, halfWidthMm, angleRad },
});
const hole = (xMm: number, yMm: number, diameterMm: number, of: TemplateHole['of']): TemplateHole => ({
  ...{ xMm, yMm, diameterMm, of, isSunk: false },
});
/** An oval throat that is turned, three screws of the car and two of the speaker. */
const PIECE: Template = {
  ...{ thicknessMm: 12, outside: ellipse(84), throat: ellipse(64, 52, 0.4), leastWallMm: 5, wireRad: null },
  holes: [
    hole(75, 8, 5, 'car'),
    hole(-38, 62, 5, 'car'),
    hole(-30, -68, 5, 'car'),
    hole(30, 64, 4.5, 'speaker'),
    hole(38, -62, 4.5, 'speaker'),
  ],
};
/** Larger than any sheet. */
const LARGE: Template = {
  ...{ ...PIECE, outside: ellipse(150), throat: ellipse(110, 80, 0.4) },
  holes: PIECE.holes.map((each) => ({ ...each, xMm: each.xMm * 1.8, yMm: each.yMm * 1.8 })),
};

let dir: string;
beforeAll(() => {
  dir = mkdtempSync(path.join(os.tmpdir(), 'low-quarry-cut-'));
});
afterAll(() => rmSync(dir, { recursive: true, force: true }));

describe('PDF, by poppler at 600 dpi', () => {
  async function sheetsOf(template: Template, paper: PaperName, scale?: PrinterScale) {
    const { bytes, sheets } = await pdfFile(template, WORDS, { paper, ...(scale ? { scale } : {}) });
    const own = mkdtempSync(path.join(dir, 'pdf-'));
    writeFileSync(path.join(own, 'piece.pdf'), bytes);
    execFileSync('pdftoppm', ['-gray', '-r', '600', 'piece.pdf', 'sheet'], { cwd: own });
    const files = readdirSync(own)
      .filter((name) => name.endsWith('.pgm'))
      .sort();
    expect(files).toHaveLength(sheets);
    return files.map((name) => readDots(readFileSync(path.join(own, name))));
  }

  const PAPER_MM = { A4: [210, 297], Letter: [215.9, 279.4] } as const;

  test.each<[PaperName]>([['A4'], ['Letter']])(
    '%s: each hole lies within a tenth of a millimetre, and the square is as large as it says',
    async (paper) => {
      const [sheet] = (await sheetsOf(PIECE, paper)) as [Dots];
      const [wide, high] = PAPER_MM[paper];
      for (const way of [
        [1, 0],
        [0, 1],
      ] as const) {
        const there = lineAt(sheet, [10 + 25, 10 + 25], way, 40);
        const back = lineAt(sheet, [10 + 25, 10 + 25], [-way[0], -way[1]], 40);
        expect(Math.abs(there + back - 50)).toBeLessThan(MOST_OFF_MM);
      }
      const [first] = PIECE.holes as [TemplateHole];
      const at = ({ xMm, yMm }: TemplateHole): readonly [number, number] => [
        wide / 2 + xMm - PIECE.outside.xMm,
        high - 10 - 34 - 84 + yMm - PIECE.outside.yMm,
      ];
      const origin = holeMiddle(sheet, at(first), first.diameterMm / 2);
      for (const each of PIECE.holes) {
        const found = holeMiddle(sheet, at(each), each.diameterMm / 2);
        const [dx, dy] = [found[0] - origin[0] - (each.xMm - first.xMm), found[1] - origin[1] - (each.yMm - first.yMm)];
        expect(Math.hypot(dx, dy)).toBeLessThan(MOST_OFF_MM);
      }
    },
  );

  test('a printer that makes 48.9 and 49.5 of 50 is made up for: on its paper each hole lies where it should', async () => {
    const scale = printerScale(48.9, 49.5);
    const [sheet] = (await sheetsOf(PIECE, 'A4', scale)) as [Dots];
    const [first, ...others] = PIECE.holes as [TemplateHole, ...TemplateHole[]];
    const at = ({ xMm, yMm }: TemplateHole): readonly [number, number] => [
      105 + (xMm - PIECE.outside.xMm) / scale.across,
      297 - 44 - 84 / scale.up + (yMm - PIECE.outside.yMm) / scale.up,
    ];
    const origin = holeMiddle(sheet, at(first), first.diameterMm / 2);
    for (const each of others) {
      const found = holeMiddle(sheet, at(each), each.diameterMm / 2);
      // As the printer makes it.
      const [dx, dy] = [(found[0] - origin[0]) * scale.across, (found[1] - origin[1]) * scale.up];
      expect(Math.hypot(dx - (each.xMm - first.xMm), dy - (each.yMm - first.yMm))).toBeLessThan(MOST_OFF_MM);
    }
  });

  test('what is larger than a sheet goes on several, and where they are laid together by their crosses each hole lies as it should', async () => {
    const sheets = await sheetsOf(LARGE, 'A4');
    expect(sheets).toHaveLength(1 + 2 * 2);
    // The crosses of a sheet are 180 mm apart across and 255 up; the first sheet has none.
    const [stepAcross, stepUp] = [180, 255];
    const found = LARGE.holes.flatMap((each) =>
      [0, 1].flatMap((row) =>
        [0, 1].flatMap((column) => {
          const x = 15 + 150 - column * stepAcross + each.xMm - LARGE.outside.xMm;
          const y = 297 - 15 - 150 + row * stepUp + each.yMm - LARGE.outside.yMm;
          const isOn = x > 12 && x < 198 && y > 24 && y < 285;
          if (!isOn) return [];
          const [u, v] = holeMiddle(sheets[1 + 2 * row + column] as Dots, [x, y], each.diameterMm / 2);
          // Laid together: from the upper left cross of the first of them.
          return [{ each, u: u - 15 + column * stepAcross, v: v - 282 - row * stepUp }];
        }),
      ),
    );
    expect(new Set(found.map(({ each }) => each)).size).toBe(LARGE.holes.length);
    for (const { each, u, v } of found)
      for (const other of found) {
        const [dx, dy] = [u - other.u, v - other.v];
        expect(Math.abs(dx - (each.xMm - other.each.xMm))).toBeLessThan(MOST_OFF_MM);
        expect(Math.abs(dy - (each.yMm - other.each.yMm))).toBeLessThan(MOST_OFF_MM);
      }
  });

  test('a square that was not measured is no scale', () => {
    expect(() => printerScale(50, 4.9)).toThrow('The square is 50 mm each way; 4.9 mm was read.');
    expect(() => printerScale(Number.NaN, 50)).toThrow(RangeError);
    expect(printerScale(50, 50)).toEqual({ across: 1, up: 1 });
  });

  test('its title is the piece’s, and a letter that the font lacks is told by the one it comes from', async () => {
    const { bytes } = await pdfFile(PIECE, WORDS, { paper: 'A4' });
    expect((await PDFDocument.load(bytes)).getTitle()).toBe(WORDS.title);
    const own = mkdtempSync(path.join(dir, 'text-'));
    writeFileSync(path.join(own, 'piece.pdf'), bytes);
    const text = execFileSync('pdftotext', ['-layout', 'piece.pdf', '-'], { cwd: own }).toString();
    expect(text).toContain('Tide <6½> ?ódz');
    expect(text).toContain('LEFT, seen from the cabin');
    expect(text).toContain('C Ø 5 mm');
  });
});

test('DXF, by ezdxf: in millimetres, what is cut and drilled on layers of their own, to a thousandth', () => {
  const file = path.join(dir, 'piece.dxf');
  writeFileSync(file, dxfFile(PIECE, WORDS));
  const read = JSON.parse(
    execFileSync('/usr/bin/python3', ['-c', READ_DXF, file], { stdio: ['ignore', 'pipe', 'inherit'] }).toString(),
  );
  expect(read.errors).toEqual([]);
  expect(read.units).toBe(4);
  const { outside, throat } = PIECE;
  const [cx, cy] = [outside.xMm, outside.yMm];
  expect(read.circles).toHaveLength(1 + PIECE.holes.length);
  for (const [at, { layer, x, y, r }] of read.circles.entries()) {
    const each = PIECE.holes[at - 1];
    expect(layer).toBe(each ? 'DRILL' : 'CUT');
    expect(r).toBeCloseTo(each ? each.diameterMm / 2 : outside.halfLengthMm, 3);
    expect(x).toBeCloseTo((each?.xMm ?? cx) - cx, 3);
    expect(y).toBeCloseTo((each?.yMm ?? cy) - cy, 3);
  }
  expect(read.ellipses).toEqual([
    {
      layer: 'CUT',
      long: expect.closeTo(throat.halfLengthMm, 3),
      short: expect.closeTo(throat.halfWidthMm, 3),
      turn: expect.closeTo(throat.angleRad, 6),
    },
  ]);
  expect(read.texts).toContain(WORDS.title);
});

test('a sheet as DXF, by ezdxf: each piece where it was laid, turned as one with its holes, whole on the sheet', () => {
  const sheet = { lengthMm: 700, widthMm: 400 };
  const at = [
    { xMm: 150, yMm: 160, turnRad: 0 },
    { xMm: 480, yMm: 200, turnRad: Math.PI / 2 },
  ];
  const pieces = at.map((place, number) => ({ template: templateAt(PIECE, place), words: `${number + 1} Front door` }));
  const file = path.join(dir, 'sheet.dxf');
  writeFileSync(file, sheetDxf(sheet, pieces));
  const read = JSON.parse(execFileSync('/usr/bin/python3', ['-c', READ_DXF, file]).toString());
  expect(read.errors).toEqual([]);
  expect(read.circles).toHaveLength(2 * (1 + PIECE.holes.length));
  const { outside } = PIECE;
  at.forEach((place, number) => {
    // By hand: a place of the piece beside its middle, turned by as much as the piece is.
    const turn = place.turnRad - outside.angleRad;
    const expected = [outside, ...PIECE.holes].map(({ xMm, yMm }) => {
      const [dx, dy] = [xMm - outside.xMm, yMm - outside.yMm];
      return [
        place.xMm + dx * Math.cos(turn) - dy * Math.sin(turn),
        place.yMm + dx * Math.sin(turn) + dy * Math.cos(turn),
      ];
    });
    const own = read.circles.slice(number * expected.length, (number + 1) * expected.length);
    own.forEach(({ x, y, r }: { x: number; y: number; r: number }, circle: number) => {
      expect([x, y]).toEqual(expected[circle]?.map((value) => expect.closeTo(value, 3)));
      expect(Math.min(x, y) - r).toBeGreaterThanOrEqual(0);
      expect(x + r).toBeLessThanOrEqual(sheet.lengthMm);
      expect(y + r).toBeLessThanOrEqual(sheet.widthMm);
    });
  });
  expect(read.texts).toContain('2 Front door');
});

/** What ezdxf reads, and what its own audit finds. */
const READ_DXF = `
import ezdxf, json, math, sys
doc = ezdxf.readfile(sys.argv[1])
model = doc.modelspace()
print(json.dumps({
  'errors': [error.message for error in doc.audit().errors],
  'units': doc.header['$INSUNITS'],
  'circles': [{'layer': c.dxf.layer, 'x': c.dxf.center.x, 'y': c.dxf.center.y, 'r': c.dxf.radius} for c in model.query('CIRCLE')],
  'ellipses': [{'layer': e.dxf.layer, 'long': e.dxf.major_axis.magnitude, 'short': e.dxf.major_axis.magnitude * e.dxf.ratio,
    'turn': math.atan2(e.dxf.major_axis.y, e.dxf.major_axis.x)} for e in model.query('ELLIPSE')],
  'texts': [t.dxf.text for t in model.query('TEXT')],
}))
`;

test('STL, by admesh: closed, every face outwards, and as much of it as the piece has', () => {
  const file = path.join(dir, 'piece.stl');
  writeFileSync(file, stlFile(PIECE));
  const checked = execFileSync('admesh', [file]).toString();
  const figure = (text: string, name: string) => Number(new RegExp(`${name}\\s*:\\s*(-?[\\d.]+)`).exec(text)?.[1]);
  for (const name of [
    'Degenerate facets',
    'Edges fixed',
    'Facets removed',
    'Facets added',
    'Facets reversed',
    'Backwards edges',
    'Normals fixed',
  ])
    expect([name, figure(checked, name)]).toEqual([name, 0]);
  expect(figure(checked, 'Number of parts')).toBe(1);
  const area = ({ halfLengthMm, halfWidthMm }: EllipseMm) => Math.PI * halfLengthMm * halfWidthMm;
  const drilled = PIECE.holes.reduce((sum, { diameterMm }) => sum + (Math.PI * diameterMm ** 2) / 4, 0);
  const volume = PIECE.thicknessMm * (area(PIECE.outside) - area(PIECE.throat) - drilled);
  expect(Math.abs(figure(checked, 'Volume') / volume - 1)).toBeLessThan(0.001);
  expect(checked).toContain('Min Z =  0.000000, Max Z =  12.000000');
  expect(checked).toMatch(/Total disconnected facets\s*:\s*0\s+0/);
});
