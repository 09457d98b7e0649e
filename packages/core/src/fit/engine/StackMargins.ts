/**
 * The margins of one stack in numbers: the same geometry and the same propagation as the checks, without an object for
 * each term. What it cannot do in numbers (terminals that stick out, boxes behind the door) it leaves to the checks.
 */
import { newGap } from '../../geometry/Gap';
import { sheetGap } from '../../geometry/glassSheet';
import { outlineLengths } from '../../geometry/Outline';
import { PlacedBody } from '../../geometry/PlacedBody';
import { type Rod, rodGap } from '../../geometry/rodGap';
import type { Dimension } from '../../uncertainty/Dimension';
import { behindClearanceMm } from '../checks/depthCheck';
import { obstacleClearanceMm, obstacleRod } from '../checks/obstaclesCheck';
import type { FitObstacle, FitOpening, FitRules } from '../shapes';
import { type FittedSheet, sheetFit } from '../sheetFit';
import { type CatalogueIndex, DOUBTS, RING_DOUBTS } from './CatalogueIndex';
import { Expansion } from './Expansion';
import { HoleMargins } from './HoleMargins';
import { clearMargin, keepWorse, type MarginMm, setMargin } from './MarginMm';
import type { ClassMount } from './MountIndex';
import { CHECK_AT, CHECKS } from './Scratch';

type OpeningTerm = Pick<Dimension, 'uncertaintyMm' | 'degreesOfFreedom'> & { readonly isRectangular: boolean };

type SheetTerm = OpeningTerm & { readonly k0: number; readonly k1: number; readonly k2: number; readonly k3: number };

type RodPlace = {
  readonly rod: Rod;
  readonly askedMm: number;
  readonly depth: Dimension;
  readonly place: Dimension;
  /** The direction that parted the last body from it: across the axis, so always a bound. */
  readonly last: [number, number, number];
};

/** How far beyond a body the foot on a steep sheet may lie, mm; for bounds only. */
export const BOUND_ROOM_MM = 60;

export class StackMargins {
  readonly hole: HoleMargins;
  private readonly expansion: Expansion;
  private readonly body = new PlacedBody();
  private readonly gap = newGap();
  private ringVariance = 0;
  private ringFourth = 0;
  private sheet: FittedSheet | null = null;
  private sheetTerms: readonly SheetTerm[] = [];
  private rods: readonly RodPlace[] = [];
  private opening: FitOpening | null = null;
  private behindAskedMm = 0;
  /** Front gap less its clearance, with its variance and what that adds to the Welch–Satterthwaite sum. */
  private frontLeftMm = 0;
  private frontPart = 0;
  private frontFourth = 0;
  private frontRectangular = 0;
  /** For `widestMm`: what the opening's own dimensions add at the most, by check, and the least degrees of freedom. */
  private readonly openingVariance = new Float64Array(CHECKS);
  private leastFreedom: number | null = null;
  /** Of the highest stack; set when the chains are known. */
  raisedVariance = 0;
  frontKnown = false;
  /** Whether obstacles or the recess need the checks themselves. */
  needsChecks = false;

  constructor(
    private readonly index: CatalogueIndex,
    private readonly rules: FitRules,
  ) {
    this.expansion = new Expansion(rules.confidence);
    this.hole = new HoleMargins(index, rules, this.expansion);
  }

  setOpening(opening: FitOpening): void {
    this.opening = opening;
    this.hole.setOpening(opening);
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
    const before = this.rods;
    this.rods = this.needsChecks ? [] : opening.obstacles.map((obstacle, at) => this.placeRod(obstacle, before[at]));
    this.noteWidest(opening);
  }

  get sheetKnown(): boolean {
    return this.sheet !== null;
  }

  get hasRods(): boolean {
    return this.rods.length > 0;
  }

  /** Front gap less stack, flange and front height. */
  front(out: MarginMm, speaker: number, raisedMm: number, raisedVariance: number, raisedFourth: number): void {
    const value = this.frontLeftMm - raisedMm - (this.index.frontMm[speaker] as number);
    const variance = this.frontPart + raisedVariance + (this.index.frontVariance[speaker] as number);
    const rectangular = this.frontRectangular + raisedFourth + (this.index.frontFourth[speaker] as number);
    setMargin(out, value, this.expansion.expand(variance, this.frontFourth, rectangular));
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
    setMargin(
      out,
      gap.gapMm - this.behindAskedMm,
      this.expansion.expand(variance, fourth, rectangular + this.ringFourth),
    );
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
    clearMargin(out);
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
      keepWorse(out, gap.gapMm - askedMm, this.expansion.expand(variance, fourth, rectangular));
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

  /** The widest interval that a check of a speaker can have, mm: every sensitivity at its greatest. */
  widestMm(check: number, speaker: number): number {
    const { bodyDoubt, bodySteep } = this.index;
    const steep = bodySteep[speaker] as number;
    const variance =
      (this.openingVariance[check] as number) +
      (bodyDoubt[speaker] as number) +
      Math.max(1, steep * steep) * this.raisedVariance;
    return this.expansion.widest(variance, this.leastFreedom);
  }

  private placeRod(obstacle: FitObstacle, before: RodPlace | undefined): RodPlace {
    const rod = obstacleRod(obstacle);
    const { direction } = before?.rod ?? {};
    const isAlike = direction?.every((each, axis) => each === rod.direction[axis]) ?? false;
    return {
      rod,
      askedMm: obstacleClearanceMm(obstacle, this.rules),
      depth: obstacle.depth,
      place: obstacle.place,
      last: before && isAlike ? before.last : [...rod.across[0]],
    };
  }

  private noteWidest({ hole, lowerEdge, obstacles }: FitOpening): void {
    const lengths = outlineLengths(hole).flatMap(([, length]) => (length ? [length] : []));
    const reach = this.index.farthestMm + BOUND_ROOM_MM;
    const slope = this.sheet
      ? Math.abs(this.sheet.sheet.c2) + 2 * Math.abs(this.sheet.sheet.c3) * Math.abs(lowerEdge?.valueMm ?? 0)
      : 0;
    const { openingVariance } = this;
    openingVariance[CHECK_AT.hole] = lengths.reduce((sum, { uncertaintyMm }) => sum + uncertaintyMm ** 2, 0);
    openingVariance[CHECK_AT.depth] =
      this.sheetTerms.reduce((sum, { k0, k1, k2, k3, uncertaintyMm }) => {
        const most = Math.abs(k0) + (Math.abs(k1) + Math.abs(k2)) * reach + Math.abs(k3) * reach * reach;
        return sum + (most * uncertaintyMm) ** 2;
      }, 0) +
      ((1 + slope) * (lowerEdge?.uncertaintyMm ?? 0)) ** 2;
    openingVariance[CHECK_AT.obstacles] = obstacles.reduce(
      (most, { depth, place }) => Math.max(most, depth.uncertaintyMm ** 2 + place.uncertaintyMm ** 2),
      0,
    );
    const all = [
      ...lengths,
      ...this.sheetTerms,
      ...(lowerEdge ? [lowerEdge] : []),
      ...obstacles.flatMap(({ depth, place }) => [depth, place]),
    ];
    const freedoms = all.flatMap(({ degreesOfFreedom }) => (degreesOfFreedom === null ? [] : [degreesOfFreedom]));
    this.leastFreedom = freedoms.length > 0 ? Math.min(...freedoms) : null;
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
