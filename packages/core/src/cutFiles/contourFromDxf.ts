/**
 * The contour of a panel out of a DXF file, as another program drew or a scanner traced it: the largest closed line of it, whatever layers and words
 * stand around. Its middle becomes the origin.
 */
import DxfParser, { type IArcEntity, type ICircleEntity, type IEntity, type ILineEntity } from 'dxf-parser';
import { type PolygonCorner, polygonPoints } from '../geometry';
import { fail, ok, type Result } from '../result';

export type Contour = {
  readonly corners: readonly PolygonCorner[];
  /** What was taken for granted or left out, in sentences. */
  readonly said: readonly string[];
};

const MOST_CORNERS = 400;
/** Each is looked for among all: more would keep a device busy. */
const MOST_SIDES = 5000;
/** The same place, of two lines that meet, mm. */
const SAME_MM = 0.05;
/** No panel is smaller or larger, mm. */
const LEAST_MM = 20;
const MOST_MM = 1200;

/** $INSUNITS of the format: inch, foot, mm, cm, m. */
const UNITS_MM: Readonly<Record<number, number>> = { 1: 25.4, 2: 304.8, 4: 1, 5: 10, 6: 1000 };

type Point = { readonly x: number; readonly y: number };
type IsSame = (a: Point, b: Point) => boolean;
type Side = { readonly from: Point; readonly to: Point; readonly bulge: number };

/** @returns a sentence that says what was read and what would do */
export function contourFromDxf(text: string): Result<Contour, string> {
  let file: ReturnType<InstanceType<typeof DxfParser>['parseSync']>;
  try {
    file = new DxfParser().parseSync(text);
  } catch {
    file = null;
  }
  if (!file) return fail('This is no DXF file: save the drawing as DXF, in text.');
  const unit = Number(file.header?.$INSUNITS ?? 0);
  const toMm = UNITS_MM[unit] ?? 1;
  const sides = file.entities.flatMap(sideOf);
  if (sides.length > MOST_SIDES)
    return fail(`There are ${sides.length} lines and arcs in it: at most ${MOST_SIDES}. Save the contour alone.`);
  const isSame: IsSame = (a, b) => Math.hypot(a.x - b.x, a.y - b.y) * toMm < SAME_MM;
  const loops = [...file.entities.flatMap((entity) => loopOf(entity, isSame)), ...chained(sides, isSame)].map((loop) =>
    loop.map(({ from, bulge, to }) => toCorner(from, to, bulge, toMm)),
  );
  const largest = loops
    .filter((loop) => loop.length >= 3 && loop.every(isRead))
    .toSorted((a, b) => areaMm2(b) - areaMm2(a))[0];
  if (!largest)
    return fail(
      `No closed line was found among ${file.entities.length} things in it: draw the contour as one closed polyline, or of lines and arcs that meet.`,
    );
  if (largest.length > MOST_CORNERS)
    return fail(`Its contour has ${largest.length} corners: at most ${MOST_CORNERS}. Draw it with arcs, or simpler.`);
  const { minX, maxX, minY, maxY } = boxOf(largest);
  const [wide, high] = [maxX - minX, maxY - minY];
  if (Math.max(wide, high) > MOST_MM || Math.min(wide, high) < LEAST_MM)
    return fail(
      `Its contour is ${tenth(wide)} × ${tenth(high)} mm: a panel is ${LEAST_MM} to ${MOST_MM} mm. Was it drawn in another unit?`,
    );
  const [cx, cy] = [(minX + maxX) / 2, (minY + maxY) / 2];
  const others = loops.length - 1;
  return ok({
    corners: largest.map(({ xMm, yMm, bulgeMm }) => ({
      xMm: hundredth(xMm - cx),
      yMm: hundredth(yMm - cy),
      bulgeMm: hundredth(bulgeMm),
    })),
    said: [
      `${tenth(wide)} × ${tenth(high)} mm, ${largest.length} corners; the middle of it is 0; 0 now.`,
      ...(UNITS_MM[unit] === undefined ? ['The file names no unit: taken as millimetres.'] : []),
      ...(others > 0 ? [`${others} smaller closed ${others === 1 ? 'line was' : 'lines were'} left out.`] : []),
    ],
  });
}

type Vertices = { readonly vertices?: readonly (Point & { readonly bulge?: number })[]; readonly shape?: boolean };

/** What is closed by itself. */
function loopOf(entity: IEntity, isSame: IsSame): readonly (readonly Side[])[] {
  if (entity.type === 'CIRCLE') {
    const { center, radius } = entity as ICircleEntity;
    const quarters = [0, 1, 2, 3].map((quarter) => onCircle(center, radius, (quarter * Math.PI) / 2));
    return [quarters.map((from, at) => ({ from, to: quarters[(at + 1) % 4] as Point, bulge: Math.tan(Math.PI / 8) }))];
  }
  if (entity.type !== 'LWPOLYLINE' && entity.type !== 'POLYLINE') return [];
  const { vertices = [], shape } = entity as IEntity & Vertices;
  const [first, last] = [vertices[0], vertices.at(-1)];
  if (!first || !last || vertices.length < 3) return [];
  const isRound = isSame(first, last);
  if (!shape && !isRound) return [];
  const corners = isRound ? vertices.slice(0, -1) : vertices;
  return [
    corners.map((from, at) => ({ from, to: corners[(at + 1) % corners.length] as Point, bulge: from.bulge ?? 0 })),
  ];
}

function sideOf(entity: IEntity): readonly Side[] {
  if (entity.type === 'LINE') {
    const [from, to] = (entity as ILineEntity).vertices;
    return from && to ? [{ from, to, bulge: 0 }] : [];
  }
  if (entity.type !== 'ARC') return [];
  const { center, radius, startAngle, endAngle } = entity as IArcEntity;
  const at = (turn: number) => onCircle(center, radius, turn);
  const sweep = (endAngle - startAngle + 4 * Math.PI) % (2 * Math.PI);
  return [{ from: at(startAngle), to: at(endAngle), bulge: Math.tan(sweep / 4) }];
}

/** Loops of lines and arcs that meet end to end, whichever way round each was drawn. */
function chained(sides: readonly Side[], isSame: IsSame): readonly (readonly Side[])[] {
  const left = [...sides];
  const loops: Side[][] = [];
  while (left.length > 0) {
    const loop = [left.pop() as Side];
    for (;;) {
      const end = (loop.at(-1) as Side).to;
      if (isSame(end, (loop[0] as Side).from)) {
        loops.push(loop);
        break;
      }
      const next = left.findIndex(({ from, to }) => isSame(from, end) || isSame(to, end));
      if (next < 0) break;
      const [side] = left.splice(next, 1) as [Side];
      loop.push(isSame(side.from, end) ? side : { from: side.to, to: side.from, bulge: -side.bulge });
    }
  }
  return loops;
}

function onCircle(center: Point, radius: number, turn: number): Point {
  return { x: center.x + radius * Math.cos(turn), y: center.y + radius * Math.sin(turn) };
}

/** A figure of the file that is none makes no corner. */
function isRead({ xMm, yMm, bulgeMm }: PolygonCorner): boolean {
  return Number.isFinite(xMm + yMm + bulgeMm);
}

/** The format's bulge is the tangent of a quarter of the angle, positive anticlockwise: the sagitta is half the chord times it, to the right. */
function toCorner(from: Point, to: Point, bulge: number, toMm: number): PolygonCorner {
  const chordMm = Math.hypot(to.x - from.x, to.y - from.y) * toMm;
  return { xMm: from.x * toMm, yMm: from.y * toMm, bulgeMm: (bulge * chordMm) / 2 };
}

function areaMm2(corners: readonly PolygonCorner[]): number {
  const points = polygonPoints({ corners });
  const twice = points.reduce((sum, [x, y], at) => {
    const [nextX, nextY] = points[(at + 1) % points.length] as readonly [number, number];
    return sum + x * nextY - nextX * y;
  }, 0);
  return Math.abs(twice) / 2;
}

function boxOf(corners: readonly PolygonCorner[]) {
  const points = polygonPoints({ corners });
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  return { minX: Math.min(...xs), maxX: Math.max(...xs), minY: Math.min(...ys), maxY: Math.max(...ys) };
}

function tenth(mm: number): number {
  return Math.round(mm * 10) / 10;
}

function hundredth(mm: number): number {
  return Math.round(mm * 100) / 100 + 0;
}
