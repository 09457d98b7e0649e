/**
 * The margins of one stack in numbers: the same geometry and the same propagation as the checks, without an object for
 * each term. What it cannot do in numbers (terminals that stick out, boxes behind the door) it leaves to the checks.
 */
import { newGap } from '../../geometry/Gap';
import { sheetGap } from '../../geometry/glassSheet';
import { type OutlineMm, outlineLengths, outlineMm } from '../../geometry/Outline';
import { type OutlineRoom, outlineRoom } from '../../geometry/outlineRoom';
import { PlacedBody } from '../../geometry/PlacedBody';
import { type Rod, rodGap } from '../../geometry/rodGap';
import { readGrid, rectangularNormalGrid } from '../../math/rectangularNormal';
import type { Dimension } from '../../uncertainty/Dimension';
import { coverageFactor } from '../../uncertainty/Margin';
import { behindClearanceMm } from '../checks/depthCheck';
import { measured } from '../checks/holeCheck';
import { obstacleClearanceMm, obstacleRod } from '../checks/obstaclesCheck';
import type { FitOpening, FitRules, FitSpacer } from '../shapes';
import { type FittedSheet, sheetFit } from '../sheetFit';
import { type CatalogueIndex, DOUBTS, RING_DOUBTS } from './CatalogueIndex';
import type { ClassMount } from './MountIndex';
import { isWorseAlike, verdictOf } from './Scratch';

type OpeningTerm = Pick<Dimension, 'uncertaintyMm' | 'degreesOfFreedom'> & { readonly isRectangular: boolean };

type SheetTerm = OpeningTerm & { readonly k0: number; readonly k1: number; readonly k2: number; readonly k3: number };

/** A plate's opening with what its lengths are worth. */
type Plate = {
  readonly outline: OutlineMm;
  readonly lengths: readonly Dimension[];
  readonly askedMm: number;
  /** Rooms of sections that were asked before, by half length and half width. */
  readonly rooms: Map<number, OutlineRoom>;
};

type RodPlace = {
  readonly rod: Rod;
  readonly askedMm: number;
  readonly depth: Dimension;
  readonly place: Dimension;
  /** The direction that parted the last body from it: across the axis, so always a bound. */
  readonly last: [number, number, number];
};

/** No body reaches farther from the axis, mm. */
const REACH_MM = 250;
/** How far beyond a ring the foot on a steep sheet may lie, mm; for a bound only. */
const BOUND_ROOM_MM = 60;

/** The answer of the last call: one margin. */
export type MarginMm = { value: number; expanded: number };

export class StackMargins {
  private readonly body = new PlacedBody();
  private readonly gap = newGap();
  private readonly doubts = new Float64Array(DOUBTS);
  private readonly plates = new Map<unknown, Plate>();
  private ringVariance = 0;
  private ringFourth = 0;
  private readonly roundRoom = { roomMm: 0, nx: 1, ny: 0, outer: [0.5], innerAlong: 0, innerAcross: 0 };
  private hole: Plate | null = null;
  private sheet: FittedSheet | null = null;
  private sheetTerms: readonly SheetTerm[] = [];
  private rods: readonly RodPlace[] = [];
  private opening: FitOpening | null = null;
  private behindAskedMm = 0;
  private readonly grid: Float64Array;
  /** Front gap less its clearance, with its variance and what that adds to the Welch–Satterthwaite sum. */
  private frontLeftMm = 0;
  private frontPart = 0;
  private frontFourth = 0;
  private frontRectangular = 0;
  frontKnown = false;
  /** Whether obstacles or the recess need the checks themselves. */
  needsChecks = false;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
  ) {
    this.grid = rectangularNormalGrid(rules.confidence);
  }

  setOpening(opening: FitOpening): void {
    const holeChanged = JSON.stringify(this.opening?.hole) !== JSON.stringify(opening.hole);
    this.opening = opening;
    if (holeChanged || !this.hole) {
      const hole = measured(opening.hole);
      const outline = hole && outlineMm(hole);
      this.hole = hole && outline && toPlate(outline, hole, this.rules.clearancesMm.hole);
    }
    this.sheet = sheetFit(opening);
    this.sheetTerms = this.sheet ? sheetTermsOf(this.sheet) : [];
    this.behindAskedMm = behindClearanceMm(opening.behind, this.rules);
    const { frontGap } = opening;
    this.frontKnown = frontGap !== null;
    this.frontLeftMm = (frontGap?.valueMm ?? 0) - this.rules.clearancesMm.front;
    this.frontPart = (frontGap?.uncertaintyMm ?? 0) ** 2;
    const freedom = frontGap?.degreesOfFreedom ?? null;
    this.frontFourth = freedom === null ? 0 : this.frontPart ** 2 / freedom;
    this.frontRectangular = frontGap?.isRectangular ? this.frontPart ** 2 : 0;
    this.needsChecks = opening.recess !== null || opening.obstacles.some(({ shape }) => shape.kind === 'box');
    this.rods = this.needsChecks
      ? []
      : opening.obstacles.map((obstacle) => ({
          rod: obstacleRod(obstacle),
          askedMm: obstacleClearanceMm(obstacle, this.rules),
          depth: obstacle.depth,
          place: obstacle.place,
          last: [...obstacleRod(obstacle).across[0]],
        }));
  }

  /** How far anything behind can have come nearer since another opening was set, mm; Infinity when it is another thing. */
  sheetMovedMm(before: FittedSheet | null): number {
    const now = this.sheet;
    if (!before || !now || before.sheet.lowerEdgeMm !== now.sheet.lowerEdgeMm) return Number.POSITIVE_INFINITY;
    const off = (key: 'c0' | 'c1' | 'c2' | 'c3') => Math.abs(now.sheet[key] - before.sheet[key]);
    return off('c0') + (off('c1') + off('c2')) * REACH_MM + off('c3') * REACH_MM * REACH_MM;
  }

  get fitted(): FittedSheet | null {
    return this.sheet;
  }

  get holeKnown(): boolean {
    return this.hole !== null;
  }

  get sheetKnown(): boolean {
    return this.sheet !== null;
  }

  get hasRods(): boolean {
    return this.rods.length > 0;
  }

  /** Front gap less stack, flange and front height. */
  front(out: MarginMm, speaker: number, raisedMm: number, raisedVariance: number, raisedFourth: number): void {
    out.value = this.frontLeftMm - raisedMm - (this.index.frontMm[speaker] as number);
    const variance = this.frontPart + raisedVariance + (this.index.frontVariance[speaker] as number);
    const rectangular = this.frontRectangular + raisedFourth + (this.index.frontFourth[speaker] as number);
    out.expanded = this.expand(variance, this.frontFourth, rectangular);
  }

  /** The worst of all passages of a stack: vehicle's hole, spacer, throats. */
  holes(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    spacer: FitSpacer | null,
    raisedMm: number,
    raisedVariance: number,
    raisedFourth: number,
  ): void {
    const { hole } = this;
    if (!hole) throw new Error('StackMargins.holes: expected a measured hole');
    out.value = Number.POSITIVE_INFINITY;
    out.expanded = 0;
    this.throughPlate(out, speaker, mount, hole, 0, 0, 0, raisedMm, raisedVariance, raisedFourth);
    if (spacer && !spacer.made) this.throughSpacer(out, speaker, mount, spacer, raisedMm);
    for (const { bracket, xMm, yMm, angleRad, depthMm, depthVariance, depthFourth } of mount.throats) {
      const plate = this.plateOf(bracket, () => toPlate(mustMm(bracket.throat), bracket.throat, 0));
      this.throughPlate(out, speaker, mount, plate, xMm, yMm, angleRad, depthMm, depthVariance, depthFourth);
    }
  }

  /** Takes the hole of a bought spacer into a margin that holds the other passages already. */
  throughSpacer(out: MarginMm, speaker: number, mount: ClassMount, spacer: FitSpacer, raisedMm: number): void {
    const plate = this.plateOf(spacer, () => toPlate(mustMm(spacer.inner), spacer.inner, 0));
    const depth = raisedMm - spacer.height.valueMm;
    this.throughPlate(out, speaker, mount, plate, 0, 0, 0, depth, mount.raisedVariance, mount.raisedFourth);
  }

  /** Body to the sheet behind. */
  depth(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    raisedMm: number,
    raisedVariance: number,
    raisedFourth: number,
  ): void {
    const { sheet: fitted, gap } = this;
    if (!fitted) throw new Error('StackMargins.depth: expected a measured sheet');
    const { pose } = mount.mount;
    this.placeBody(speaker, mount, pose.xMm, pose.yMm, raisedMm);
    const atEdge = sheetGap(gap, this.body, fitted.sheet);
    const x = gap.reach.x + gap.gapMm * gap.nx;
    const y = gap.reach.y + gap.gapMm * gap.ny;
    const yy = y * y;
    let variance = 0;
    let fourth = 0;
    const square = gap.nz * gap.nz;
    let rectangular = square * square * raisedFourth;
    for (const { k0, k1, k2, k3, uncertaintyMm, degreesOfFreedom, isRectangular } of this.sheetTerms) {
      const part = (gap.nz * (k0 + k1 * x + k2 * y + k3 * yy) * uncertaintyMm) ** 2;
      variance += part;
      if (isRectangular) rectangular += part * part;
      if (degreesOfFreedom !== null) fourth += (part * part) / degreesOfFreedom;
    }
    const edge = this.opening?.lowerEdge;
    if (atEdge && edge) {
      const { c2, c3 } = fitted.sheet;
      const slope = gap.ny + gap.nz * (c2 + 2 * c3 * edge.valueMm);
      const part = (slope * edge.uncertaintyMm) ** 2;
      variance += part;
      if (edge.isRectangular) rectangular += part * part;
      if (edge.degreesOfFreedom !== null) fourth += (part * part) / edge.degreesOfFreedom;
    }
    this.addRing(speaker);
    variance += gap.nz * gap.nz * raisedVariance + this.ringVariance;
    out.value = gap.gapMm - this.behindAskedMm;
    out.expanded = this.expand(variance, fourth, rectangular + this.ringFourth);
  }

  /** Body to the rods: the worst of them. */
  obstacles(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    raisedMm: number,
    raisedVariance: number,
    raisedFourth: number,
  ): void {
    const { gap } = this;
    const { pose } = mount.mount;
    this.placeBody(speaker, mount, pose.xMm, pose.yMm, raisedMm);
    out.value = Number.POSITIVE_INFINITY;
    out.expanded = 0;
    for (const { rod, askedMm, depth, place, last } of this.rods) {
      rodGap(gap, this.body, rod);
      last[0] = gap.nx;
      last[1] = gap.ny;
      last[2] = gap.nz;
      const depthPart = (gap.nz * depth.uncertaintyMm) ** 2;
      const placePart = (gap.nx * gap.nx + gap.ny * gap.ny) * place.uncertaintyMm ** 2;
      let fourth = 0;
      if (depth.degreesOfFreedom !== null) fourth += (depthPart * depthPart) / depth.degreesOfFreedom;
      if (place.degreesOfFreedom !== null) fourth += (placePart * placePart) / place.degreesOfFreedom;
      this.addRing(speaker);
      const variance = depthPart + placePart + gap.nz * gap.nz * raisedVariance + this.ringVariance;
      const square = gap.nz * gap.nz;
      let rectangular = square * square * raisedFourth + this.ringFourth;
      if (depth.isRectangular) rectangular += depthPart * depthPart;
      if (place.isRectangular) rectangular += placePart * placePart;
      keepWorse(out, gap.gapMm - askedMm, this.expand(variance, fourth, rectangular));
    }
  }

  /**
   * A figure that the depth margin is never below, for little: the sheet's least depth over the circle around each ring,
   * taken along the steepest normal. A lower edge only takes glass away.
   */
  depthBound(speaker: number, { mount: { pose } }: ClassMount, raisedMm: number): number {
    const { sheet } = this;
    if (!sheet) return Number.NEGATIVE_INFINITY;
    const { c0, c1, c2, c3 } = sheet.sheet;
    const rings = this.index.rings[speaker] as Float64Array;
    const lean = Math.sqrt(c1 * c1 + c2 * c2);
    const level = c0 + c1 * pose.xMm + c2 * pose.yMm + raisedMm;
    let least = Number.POSITIVE_INFINITY;
    let widest = 0;
    for (let at = 0; at < rings.length; at += 3) {
      const radius = Math.max(rings[at + 1] as number, rings[at + 2] as number);
      const high = Math.abs(pose.yMm) + radius;
      const gap = level - (rings[at] as number) - lean * radius + Math.min(0, c3) * high * high;
      if (gap < least) least = gap;
      if (high > widest) widest = high;
    }
    const steepest = Math.abs(c2) + 2 * Math.abs(c3) * (widest + BOUND_ROOM_MM);
    const by = 1 / Math.sqrt(1 + c1 * c1 + steepest * steepest);
    return (least >= 0 ? least * by : least) - this.behindAskedMm;
  }

  /** A figure that the margin to every rod is never below: the separation in the direction that was best last time. */
  obstaclesBound(speaker: number, mount: ClassMount, raisedMm: number): number {
    const { pose } = mount.mount;
    const { body, gap } = this;
    this.placeBody(speaker, mount, pose.xMm, pose.yMm, raisedMm);
    let least = Number.POSITIVE_INFINITY;
    for (const { rod, askedMm, last } of this.rods) {
      body.reach(gap.reach, 0, body.lastRing, last[0], last[1], last[2]);
      const q = rod.at[0] * last[0] + rod.at[1] * last[1] + rod.at[2] * last[2];
      least = Math.min(least, q - gap.reach.valueMm - rod.radiusMm - askedMm);
    }
    return least;
  }

  private placeBody(speaker: number, { cos, sin }: ClassMount, xMm: number, yMm: number, raisedMm: number): void {
    this.body.rings = this.index.rings[speaker] as Float64Array;
    this.body.pieces = this.index.pieces[speaker] as Int32Array;
    this.body.place(xMm, yMm, raisedMm, cos, sin);
  }

  /** What the nearest ring of the last gap adds: variance, and the sum of the squares of its parts. */
  private addRing(speaker: number): void {
    const { reach, nz } = this.gap;
    const rows = this.index.ringDoubts;
    const base = ((this.index.firstRing[speaker] as number) + reach.ring) * RING_DOUBTS;
    let variance = 0;
    let fourth = 0;
    for (let at = 0; at < DOUBTS; at++) {
      const doubt =
        nz * (rows[base + at] as number) +
        reach.alongRatio * (rows[base + DOUBTS + at] as number) +
        reach.acrossRatio * (rows[base + 2 * DOUBTS + at] as number);
      const part = doubt * doubt;
      variance += part;
      fourth += part * part;
    }
    this.ringVariance = variance;
    this.ringFourth = fourth;
  }

  private throughPlate(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    plate: Plate,
    xMm: number,
    yMm: number,
    angleRad: number,
    depthMm: number,
    depthVariance: number,
    depthFourth: number,
  ): void {
    const rings = this.index.rings[speaker] as Float64Array;
    const count = rings.length / 3;
    let after = 0;
    while (after < count && (rings[after * 3] as number) <= depthMm) after++;
    if (after === count) return;
    if (after > 0)
      this.sectionBetween(out, speaker, mount, plate, xMm, yMm, angleRad, depthMm, depthVariance, depthFourth, after);
    const first = this.index.firstRing[speaker] as number;
    for (let ring = after; ring < count; ring++) {
      if (this.index.isWide[first + ring] === 0) continue;
      const a = rings[ring * 3 + 1] as number;
      const b = rings[ring * 3 + 2] as number;
      const room = this.room(plate, mount, xMm, yMm, angleRad, a, b, true);
      const base = (first + ring) * RING_DOUBTS;
      this.fillDoubts(base + DOUBTS, room.innerAlong, base + 2 * DOUBTS, room.innerAcross);
      this.keepRoom(out, plate, room, 0, 0);
    }
  }

  private sectionBetween(
    out: MarginMm,
    speaker: number,
    mount: ClassMount,
    plate: Plate,
    xMm: number,
    yMm: number,
    angleRad: number,
    depthMm: number,
    depthVariance: number,
    depthFourth: number,
    after: number,
  ): void {
    const rings = this.index.rings[speaker] as Float64Array;
    const value = (ring: number, column: number) => rings[ring * 3 + column] as number;
    const span = value(after, 0) - value(after - 1, 0);
    const share = (depthMm - value(after - 1, 0)) / span;
    const riseA = (value(after, 1) - value(after - 1, 1)) / span;
    const riseB = (value(after, 2) - value(after - 1, 2)) / span;
    const a = value(after - 1, 1) + share * (value(after, 1) - value(after - 1, 1));
    const b = value(after - 1, 2) + share * (value(after, 2) - value(after - 1, 2));
    const room = this.room(plate, mount, xMm, yMm, angleRad, a, b, riseA === 0 && riseB === 0);
    const { innerAlong, innerAcross } = room;
    const before = ((this.index.firstRing[speaker] as number) + after - 1) * RING_DOUBTS;
    if (riseA === 0 && riseB === 0) {
      // Straight walls: the section is as sure as the ring before it, wherever it lies.
      this.fillDoubts(before + DOUBTS, innerAlong, before + 2 * DOUBTS, innerAcross);
      this.keepRoom(out, plate, room, 0, 0);
      return;
    }
    const steep = innerAlong * riseA + innerAcross * riseB;
    const next = before + RING_DOUBTS;
    const rows = this.index.ringDoubts;
    for (let at = 0; at < DOUBTS; at++) {
      this.doubts[at] =
        (1 - share) *
          (innerAlong * (rows[before + DOUBTS + at] as number) +
            innerAcross * (rows[before + 2 * DOUBTS + at] as number)) +
        share *
          (innerAlong * (rows[next + DOUBTS + at] as number) + innerAcross * (rows[next + 2 * DOUBTS + at] as number)) -
        steep * ((1 - share) * (rows[before + at] as number) + share * (rows[next + at] as number));
    }
    this.keepRoom(out, plate, room, steep * steep * depthVariance, (steep * steep) ** 2 * depthFourth);
  }

  private fillDoubts(first: number, by: number, second: number, bySecond: number): void {
    const rows = this.index.ringDoubts;
    for (let at = 0; at < DOUBTS; at++) {
      this.doubts[at] = by * (rows[first + at] as number) + bySecond * (rows[second + at] as number);
    }
  }

  private keepRoom(
    out: MarginMm,
    { lengths, askedMm }: Plate,
    room: OutlineRoom,
    moreVariance: number,
    moreFourth: number,
  ): void {
    let variance = moreVariance;
    let rectangular = moreFourth;
    let fourth = 0;
    for (let at = 0; at < lengths.length; at++) {
      const { uncertaintyMm, degreesOfFreedom, isRectangular } = lengths[at] as Dimension;
      const part = ((room.outer[at] ?? 0) * uncertaintyMm) ** 2;
      variance += part;
      if (isRectangular) rectangular += part * part;
      if (degreesOfFreedom !== null) fourth += (part * part) / degreesOfFreedom;
    }
    for (let at = 0; at < DOUBTS; at++) {
      const part = (this.doubts[at] as number) ** 2;
      variance += part;
      rectangular += part * part;
    }
    keepWorse(out, room.roomMm - askedMm, this.expand(variance, fourth, rectangular));
  }

  private room(
    plate: Plate,
    { mount: { pose } }: ClassMount,
    xMm: number,
    yMm: number,
    angleRad: number,
    a: number,
    b: number,
    keep: boolean,
  ): OutlineRoom {
    const dx = pose.xMm - xMm;
    const dy = pose.yMm - yMm;
    const turn = pose.angleRad - angleRad;
    if (dx === 0 && dy === 0 && plate.outline.kind === 'circle') {
      // A centred ellipse in a round hole is tight at the ends of its long axis.
      const { roundRoom } = this;
      roundRoom.roomMm = plate.outline.diameter / 2 - Math.max(a, b);
      roundRoom.innerAlong = a >= b ? -1 : 0;
      roundRoom.innerAcross = a >= b ? 0 : -1;
      return roundRoom;
    }
    const aligned = Math.abs(Math.sin(turn)) < 1e-12;
    const plain = dx === 0 && dy === 0 && (aligned || a === b);
    // Half axes in units of 0.1 µm as one whole number: sizes up to 400 mm stay exact.
    const key = plain && keep ? Math.round(a * 1e4) * 1e7 + Math.round(b * 1e4) : -1;
    const known = key >= 0 ? plate.rooms.get(key) : undefined;
    if (known) return known;
    const cos = Math.cos(angleRad);
    const sin = Math.sin(angleRad);
    const room = outlineRoom(plate.outline, {
      xMm: dx * cos + dy * sin,
      yMm: dy * cos - dx * sin,
      halfLengthMm: a,
      halfWidthMm: b,
      angleRad: aligned ? 0 : turn,
    });
    if (key >= 0) plate.rooms.set(key, room);
    return room;
  }

  private plateOf(part: unknown, make: () => Plate): Plate {
    let plate = this.plates.get(part);
    if (!plate) {
      plate = make();
      this.plates.set(part, plate);
    }
    return plate;
  }

  /** @param rectangular sum of the squares of the rectangular parts of the variance */
  private expand(variance: number, fourth: number, rectangular: number): number {
    const share = variance > 0 ? Math.sqrt(rectangular) / variance : 0;
    if (fourth === 0) return Math.sqrt(variance) * readGrid(this.grid, share);
    const freedom = Math.max(1, Math.floor((variance * variance) / fourth));
    return Math.sqrt(variance) * coverageFactor(this.rules.confidence, freedom, share);
  }
}

function keepWorse(out: MarginMm, value: number, expanded: number): void {
  if (out.value === Number.POSITIVE_INFINITY) {
    out.value = value;
    out.expanded = expanded;
    return;
  }
  const now = verdictOf(out.value, out.expanded);
  const next = verdictOf(value, expanded);
  if (now !== next ? next < now : !isWorseAlike(value, expanded, out.value, out.expanded, next)) return;
  out.value = value;
  out.expanded = expanded;
}

function toPlate(outline: OutlineMm, of: Parameters<typeof measured>[0], askedMm: number): Plate {
  const lengths = outlineLengths(of).flatMap(([, length]) => (length ? [length] : []));
  return { outline, lengths, askedMm, rooms: new Map() };
}

function mustMm(outline: Parameters<typeof outlineMm>[0]): OutlineMm {
  const mm = outlineMm(outline);
  if (!mm) throw new Error('StackMargins: expected a measured outline');
  return mm;
}

function sheetTermsOf({ coefficients }: FittedSheet): readonly SheetTerm[] {
  const [first] = coefficients;
  return first.terms.map(({ name, dimension }) => {
    const of = (column: 0 | 1 | 2 | 3) =>
      coefficients[column].terms.find((term) => term.name === name)?.sensitivity ?? 0;
    const { uncertaintyMm, degreesOfFreedom, isRectangular = false } = dimension;
    return { uncertaintyMm, degreesOfFreedom, isRectangular, k0: of(0), k1: of(1), k2: of(2), k3: of(3) };
  });
}
