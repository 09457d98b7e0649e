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
import { housed, judgeCandidate, type MadeFace } from '../fit';
import type { EllipseMm } from '../geometry';
import { type Housing, shellOf, volumeL } from '../housing';
import { hangerTemplate, housingPieces, notchOf, type Template, type TemplateHole, templateAt } from '../template';
import { lineEdge } from '../template/edges';
import { type Dots, holeMiddle, lineAt, readDots } from '../testing/paperDots';
import { PLAIN_CUP, PLAIN_POD, PLAIN_WEDGE } from '../testing/plainHousing';
import { opening, RULES, speaker } from '../testing/shapes';
import { dxfFile, sheetDxf } from './dxfFile';
import { housingStl } from './housingStl';
import { type PaperName, type PrinterScale, pdfFile, printerScale } from './pdfFile';
import { stlFile } from './stlFile';

const WORDS = { title: 'Ring for Front door, left: Tide <6½> łódź', side: 'LEFT, seen from the cabin' };
const MOST_OFF_MM = 0.1;

const ellipse = (halfLengthMm: number, halfWidthMm = halfLengthMm, angleRad = 0): EllipseMm => ({
  ...{ xMm: 1.5, yMm: -2.5, halfLengthMm, halfWidthMm, angleRad },
});
const hole = (xMm: number, yMm: number, diameterMm: number, of: TemplateHole['of']): TemplateHole => ({
  ...{ xMm, yMm, diameterMm, of, sunk: null },
});
/** An oval throat that is turned, three screws of the car and two of the speaker. */
const PIECE: Template = {
  ...{
    thicknessMm: 12,
    outside: ellipse(84),
    throat: ellipse(64, 52, 0.4),
    leastWallMm: 5,
    pilotMm: 9,
    hasNotch: true,
    wireRad: null,
  },
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
  'closed': [{'layer': p.dxf.layer, 'corners': [list(v) for v in p.get_points('xy')]} for p in model.query('LWPOLYLINE') if p.closed],
  'texts': [t.dxf.text for t in model.query('TEXT')],
}))
`;

/** Of a solid as admesh reads it, without having to mend anything. */
function solidOf(bytes: Uint8Array): { readonly volume: number; readonly parts: number; readonly words: string } {
  const file = path.join(mkdtempSync(path.join(dir, 'stl-')), 'piece.stl');
  writeFileSync(file, bytes);
  const words = execFileSync('admesh', [file]).toString();
  const figure = (name: string) => Number(new RegExp(`${name}\\s*:\\s*(-?[\\d.]+)`).exec(words)?.[1]);
  for (const name of [
    'Degenerate facets',
    'Edges fixed',
    'Facets removed',
    'Facets added',
    'Facets reversed',
    'Backwards edges',
    'Normals fixed',
  ])
    expect([name, figure(name)]).toEqual([name, 0]);
  expect(words).toMatch(/Total disconnected facets\s*:\s*0\s+0/);
  return { volume: figure('Volume'), parts: figure('Number of parts'), words };
}
const area = ({ halfLengthMm, halfWidthMm }: EllipseMm) => Math.PI * halfLengthMm * halfWidthMm;
const drilled = PIECE.holes.reduce((sum, { diameterMm }) => sum + (Math.PI * diameterMm ** 2) / 4, 0);
const WHOLE_MM3 = PIECE.thicknessMm * (area(PIECE.outside) - area(PIECE.throat) - drilled);

test('STL, by admesh: closed, every face outwards, and as much of it as the piece has', () => {
  const { volume, parts, words } = solidOf(stlFile(PIECE));
  expect(parts).toBe(1);
  expect(Math.abs(volume / WHOLE_MM3 - 1)).toBeLessThan(0.001);
  expect(words).toContain('Min Z =  0.000000, Max Z =  12.000000');
});

describe('a groove for the wire and a counterbore', () => {
  const round: Template = { ...PIECE, throat: ellipse(60), wireRad: 2.8 };
  const sunk = { diameterMm: 9, depthMm: 3.4 };
  const withHeads: Template = {
    ...round,
    holes: round.holes.map((each) => (each.of === 'car' ? { ...each, sunk } : each)),
  };

  test.each([0, 0.3, 1.2, 2.8, 4, 5.5])(
    'are in the solid, with the plug at %f rad: what they take is gone',
    (wireRad) => {
      const piece: Template = { ...withHeads, holes: withHeads.holes.filter(({ of }) => of === 'speaker'), wireRad };
      const notch = notchOf(piece);
      if (!notch || notch.leastMm < 0) {
        expect(notch?.depthMm).toBeNull();
        return;
      }
      const without = solidOf(stlFile({ ...piece, hasNotch: false })).volume;
      const { volume, parts } = solidOf(stlFile(piece));
      expect(parts).toBe(1);
      // By hand: a strip of 12 mm between two circles of one middle, 4 mm deep.
      const strip = (r: number) => 6 * Math.sqrt(r ** 2 - 36) + r ** 2 * Math.asin(6 / r);
      expect((without - volume) / (4 * (strip(84) - strip(60)))).toBeCloseTo(1, 2);
    },
  );

  test('a counterbore takes its ring, as deep as it is', () => {
    const { volume, parts } = solidOf(stlFile({ ...withHeads, hasNotch: false }));
    const plain = solidOf(stlFile({ ...round, hasNotch: false })).volume;
    expect(parts).toBe(1);
    expect((plain - volume) / (3 * sunk.depthMm * (Math.PI / 4) * (81 - 25))).toBeCloseTo(1, 2);
  });

  test('in DXF are lines of layers of their own, with their depth in words', () => {
    const file = path.join(dir, 'groove.dxf');
    writeFileSync(file, dxfFile(withHeads, WORDS));
    const read = JSON.parse(execFileSync('/usr/bin/python3', ['-c', READ_DXF, file]).toString());
    expect(read.errors).toEqual([]);
    const heads = read.circles.filter(({ layer }: { layer: string }) => layer === 'COUNTERBORE');
    expect(heads).toHaveLength(3);
    expect(heads[0]).toMatchObject({ r: 4.5, x: 75 - 1.5, y: 8 + 2.5 });
    expect(read.texts.join(' ')).toContain('head Ø 9 mm, 3.4 mm deep');
    expect(read.closed).toEqual([{ layer: 'GROOVE', corners: expect.any(Array) }]);
    const across = ([a, b]: number[][]) => Math.hypot((a?.[0] ?? 0) - (b?.[0] ?? 0), (a?.[1] ?? 0) - (b?.[1] ?? 0));
    const [inA, outA, outB, inB] = read.closed[0].corners;
    expect(across([inA, inB])).toBeCloseTo(12, 6);
    expect(across([outA, outB])).toBeCloseTo(12, 6);
    expect(read.texts).toContain('GROOVE 4 mm deep, FACE TO THE CAR');
  });
});

test('a piece of any outline, its groove too, is closed and as large as its corners say', () => {
  const corners = [
    ...[
      [-90, -70],
      [95, -60],
      [80, 85],
      [-20, 95],
      [-85, 60],
    ],
  ].map(([xMm, yMm]) => ({ xMm: xMm as number, yMm: yMm as number }));
  const free: Template = {
    ...PIECE,
    ...{ outside: lineEdge(corners), throat: { ...ellipse(50), xMm: 0, yMm: 0 }, holes: [], wireRad: 0.2 },
  };
  const twice = corners.reduce((sum, a, at) => {
    const b = corners[(at + 1) % corners.length] as typeof a;
    return sum + a.xMm * b.yMm - b.xMm * a.yMm;
  }, 0);
  const plain = solidOf(stlFile({ ...free, hasNotch: false }));
  expect(plain.volume / (12 * (twice / 2 - Math.PI * 2500))).toBeCloseTo(1, 3);
  const cut = solidOf(stlFile(free));
  expect([plain.parts, cut.parts]).toEqual([1, 1]);
  expect(cut.volume).toBeLessThan(plain.volume - 4 * 12 * 30);
});

describe('what is built, whole, by admesh', () => {
  const made = (housing: Housing, under = opening({ isThere: 'blank' })) => {
    const at = housed(under, housing);
    const candidate = { speaker: speaker(), layers: [] };
    const { mount } = judgeCandidate(at, candidate, [], RULES);
    const pieces = housingPieces(at.made as MadeFace, candidate.speaker, mount, { coverMm: 3 });
    if (!pieces) throw new Error('expected a housing');
    return pieces;
  };
  const STRAIGHT: Housing = {
    ...PLAIN_POD,
    ...{ base: { kind: 'round', diameterMm: 212 }, angleDeg: 0, faceMm: 212, holeMm: 150, heightMm: 100, rimMm: 6 },
  };

  test('a straight one has the volume of its wall and its face', () => {
    const { face } = made(STRAIGHT);
    const { volume, parts } = solidOf(housingStl(STRAIGHT, face));
    const disc = (diameterMm: number) => (Math.PI / 4) * diameterMm ** 2;
    const pilots = face.holes.reduce((sum, { diameterMm }) => sum + disc(diameterMm), 0);
    expect(face.holes).toHaveLength(4);
    expect(volume / (85 * (disc(212) - disc(200)) + 15 * (disc(212) - disc(150) - pilots))).toBeCloseTo(1, 3);
    expect(parts).toBe(1);
  });

  test.each([
    ['a pod inside its contour, turned upwards', PLAIN_POD],
    ['a wedge, turned to the front', PLAIN_WEDGE],
    ['a cup for a tweeter', PLAIN_CUP],
  ])('%s is closed, and less than the solid about it by the room inside', (_, housing) => {
    const shell = shellOf(housing);
    if (!shell.ok) throw new Error(shell.failure);
    const { volume, parts } = solidOf(
      housingStl(housing, { ...made(PLAIN_POD).face, holes: [], throat: ellipseOf(housing.holeMm) }),
    );
    expect(parts).toBe(1);
    const about = volumeL({ inside: shell.value.base, behind: shell.value.face }) * 1e6;
    const hole = (Math.PI / 4) * housing.holeMm ** 2 * housing.boardMm;
    expect(volume / (about - volumeL(shell.value) * 1e6 - hole)).toBeCloseTo(1, 3);
  });

  test('its base lies in DXF as it lies on the panel, in its contour, with pilots all round', () => {
    const { base } = made({ ...PLAIN_POD, rimMm: 16 });
    const file = path.join(dir, 'base.dxf');
    writeFileSync(file, dxfFile(base, WORDS));
    const read = JSON.parse(execFileSync('/usr/bin/python3', ['-c', READ_DXF, file]).toString());
    expect(read.errors).toEqual([]);
    const cut = read.closed.filter(({ layer }: { layer: string }) => layer === 'CUT');
    const box = (corners: number[][]) => [0, 1].map((of) => Math.max(...corners.map((at) => at[of] as number)));
    expect(cut.map(({ corners }: { corners: number[][] }) => box(corners))).toEqual([
      [expect.closeTo(140, 3), expect.closeTo(110, 3)],
      [expect.closeTo(124, 3), expect.closeTo(94, 3)],
    ]);
    expect(read.circles).toHaveLength(6);
    // Under what is seen: a pilot ends 3 mm below it.
    expect(base.pilotMm).toBe(11.2);
    // Its 360 places stand mostly on straight lines.
    expect(solidOf(stlFile(base)).parts).toBe(1);
  });

  test('of what cannot be built nothing is written, and it is said why', () => {
    expect(() => housingStl({ ...PLAIN_POD, xMm: 400 }, made(PLAIN_POD).face)).toThrow(/outside of the contour/);
  });
});

const ellipseOf = (diameterMm: number) => ({
  ...{ xMm: 0, yMm: 0, angleRad: 0, halfLengthMm: diameterMm / 2, halfWidthMm: diameterMm / 2 },
});

test('a hanger carries its box between its ears, with a way for its wires: by hand, and by admesh', () => {
  const plate = hangerTemplate({ lengthMm: 110, widthMm: 72 }, 9);
  expect([plate.outside.halfLengthMm, plate.outside.halfWidthMm]).toEqual([77, 48]);
  expect(plate.holes.filter(({ of }) => of === 'car')).toHaveLength(4);
  expect(plate.holes.filter(({ of }) => of === 'box').map(({ yMm }) => Math.abs(yMm))).toEqual([42, 42, 42, 42]);
  // From a tie to the plate's edge: 48 − 42 − 3.
  expect(plate.leastWallMm).toBeCloseTo(3, 9);
  const { volume, parts } = solidOf(stlFile(plate));
  const holes = (Math.PI / 4) * (20 ** 2 + 4 * 25 + 4 * 36);
  expect(parts).toBe(1);
  // Its corners are round: 6 mm.
  expect(volume / (9 * (154 * 96 - (4 - Math.PI) * 36 - holes))).toBeCloseTo(1, 3);
});
