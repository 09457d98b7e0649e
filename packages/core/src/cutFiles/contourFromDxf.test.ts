/** Contours out of files that Debian's ezdxf wrote, and out of what is none. */
import { execFileSync } from 'node:child_process';
import { describe, expect, test } from '@jest/globals';
import { polygonPoints } from '../geometry';
import { contourFromDxf } from './contourFromDxf';

/** @param draw Python that adds to `space`, a modelspace of ezdxf */
function drawn(draw: string, units = 4): string {
  const program = [
    'import ezdxf, sys',
    'doc = ezdxf.new("R2010")',
    `doc.header["$INSUNITS"] = ${units}`,
    'space = doc.modelspace()',
    draw,
    'doc.write(sys.stdout)',
  ].join('\n');
  return execFileSync('/usr/bin/python3', ['-c', program], { encoding: 'utf8', maxBuffer: 10_000_000 });
}
const read = (text: string) => {
  const found = contourFromDxf(text);
  if (!found.ok) throw new Error(found.failure);
  return found.value;
};
const failure = (text: string) => {
  const found = contourFromDxf(text);
  return found.ok ? null : found.failure;
};
function areaMm2(corners: Parameters<typeof polygonPoints>[0]['corners']): number {
  const points = polygonPoints({ corners });
  return Math.abs(
    points.reduce((sum, [x, y], at) => {
      const [nx, ny] = points[(at + 1) % points.length] as readonly [number, number];
      return sum + x * ny - nx * y;
    }, 0) / 2,
  );
}

describe('the contour in a DXF file', () => {
  test('is its largest closed polyline, about its own middle, whatever stands around', () => {
    const { corners, said } = read(
      drawn(`
space.add_lwpolyline([(100, 50), (400, 50), (400, 290), (100, 290)], close=True)
space.add_lwpolyline([(110, 60), (150, 60), (150, 90)], close=True)
space.add_lwpolyline([(0, 0), (2000, 0), (2000, 2000)])
space.add_text("panel").set_placement((0, 0))`),
    );
    expect(corners).toEqual([
      { xMm: -150, yMm: -120, bulgeMm: 0 },
      { xMm: 150, yMm: -120, bulgeMm: 0 },
      { xMm: 150, yMm: 120, bulgeMm: 0 },
      { xMm: -150, yMm: 120, bulgeMm: 0 },
    ]);
    expect(said.join(' ')).toMatch(/^300 × 240 mm, 4 corners.*1 smaller closed line was left out\.$/);
  });

  test('keeps its arcs: a slot with round ends, drawn in inches, has the area of one', () => {
    // 4 in between the middles of its ends, 2 in across: 8 in² and a disc of 2 in.
    const { corners } = read(
      drawn('space.add_lwpolyline([(0,0,0,0,0),(4,0,0,0,1),(4,2,0,0,0),(0,2,0,0,1)], close=True)', 1),
    );
    expect(areaMm2(corners)).toBeCloseTo((8 + Math.PI) * 25.4 ** 2, -1);
  });

  test('drawn in metres is not taken for closed where it is not, nor loses a corner that lies near another', () => {
    const corners = '[(0, 0), (0.3, 0), (0.3, 0.2), (0.02, 0.2), (0, 0.03)]';
    expect(areaMm2(read(drawn(`space.add_lwpolyline(${corners}, close=True)`, 6)).corners)).toBeCloseTo(
      300 * 200 - (20 * 170) / 2,
      0,
    );
    expect(failure(drawn(`space.add_lwpolyline(${corners})`, 6))).toMatch(/^No closed line was found/);
  });

  test('of a file with more lines than could be followed says so, and of a place that is no figure nothing is made', () => {
    const many = drawn(`
for at in range(5001): space.add_line((at, 0), (at, 1))`);
    expect(failure(many)).toBe('There are 5001 lines and arcs in it: at most 5000. Save the contour alone.');
    const square = drawn('space.add_lwpolyline([(0, 0), (321, 0), (321, 200), (0, 200)], close=True)');
    expect(failure(square.replaceAll(/^321(\.0)?$/gm, 'wide'))).toMatch(/^No closed line was found/);
  });

  test('is put together of lines and arcs that meet, whichever way round each was drawn', () => {
    const { corners } = read(
      drawn(`
space.add_line((0, 0), (200, 0))
space.add_line((200, 100), (200, 0))
space.add_line((0, 100), (0, 0))
space.add_arc((100, 100), 100, 0, 180)`),
    );
    expect(corners).toHaveLength(4);
    expect(areaMm2(corners)).toBeCloseTo(200 * 100 + (Math.PI * 100 ** 2) / 2, 0);
  });

  test('is a circle', () => {
    expect(areaMm2(read(drawn('space.add_circle((10, 10), 80)')).corners)).toBeCloseTo(Math.PI * 80 ** 2, -1);
  });

  test('without a unit is taken as millimetres, and that is said', () => {
    const { said } = read(drawn('space.add_circle((0, 0), 80)', 0));
    expect(said.join(' ')).toContain('The file names no unit: taken as millimetres.');
  });

  test.each([
    ['a letter', 'Dear Sir or Madam', /no DXF file/],
    ['nothing', '', /no DXF file/],
  ])('is refused of %s', (_, text, words) => {
    expect(failure(text)).toMatch(words);
  });

  test.each([
    ['an open line', 'space.add_line((0, 0), (200, 0))', 4, /No closed line was found among 1 thing/],
    ['metres taken for a panel', 'space.add_circle((0, 0), 80)', 6, /160,?000 × 160,?000 mm.*another unit/],
    ['a speck', 'space.add_circle((0, 0), 1)', 4, /2 × 2 mm/],
    [
      'a scan of a thousand places',
      'import math\nspace.add_lwpolyline([(100*math.cos(i/160),100*math.sin(i/160)) for i in range(1000)], close=True)',
      4,
      /1000 corners: at most 400/,
    ],
  ])('is refused of %s', (_, draw, units, words) => {
    expect(failure(drawn(draw, units))).toMatch(words);
  });
});
