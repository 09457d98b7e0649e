/**
 * An opening in numbers: its dimensions by their slots, and what every check asks of it. Worked out once for each opening.
 */

import type { GlassSheet, Rod } from '../../geometry';
import {
  type BoxSolid,
  boxSolid,
  type ConvexSolid,
  type OutlineMm,
  outlineLengths,
  outlineMm,
  type Span,
  spanOf,
} from '../../geometry';
import { type Dimension, sharedDimension } from '../../uncertainty';
import { mapOpening } from '../dimensionNames';
import type { Doubts, SharedSlot } from '../margins/Doubts';
import type { FitObstacle, FitOpening, FrontLayer } from '../shapes';
import { obstacleBox, obstacleRod, rodSolid } from './obstacleSolids';
import { type FittedSheet, sheetFit } from './sheetFit';
import { OPENING_AT } from './slots';

export type PlateShape = { readonly outline: OutlineMm; readonly firstSlot: number };

export type ObstacleShape = {
  readonly obstacle: FitObstacle;
  readonly depthSlot: number;
  readonly placeXSlot: number;
  readonly placeYSlot: number;
  /** null for a box. */
  readonly rod: Rod | null;
  readonly box: BoxSolid | null;
  readonly solid: ConvexSolid;
  /** The same as far aside as it may stand; empty where its place is known. */
  readonly asides: readonly Aside[];
};

export type FrontShape = {
  readonly layer: FrontLayer;
  readonly gapSlot: number;
  readonly insideSlot: number;
  /** What is free in the middle of a frame; null for what is closed. */
  readonly inside: OutlineMm | null;
};

/** An obstacle moved along x or y, mm. */
export type Aside = {
  readonly axis: 0 | 1;
  readonly byMm: number;
  readonly rod: Rod | null;
  readonly solid: ConvexSolid;
};

/** What the sheet behind depends on, by slot: c0 to c3 for each millimetre of it. */
type SheetSlots = { readonly slots: Int32Array; readonly gains: Float64Array };

const known = new WeakMap<FitOpening, OpeningShape>();

export function openingShape(opening: FitOpening): OpeningShape {
  let shape = known.get(opening);
  if (!shape) {
    shape = new OpeningShape(opening);
    known.set(opening, shape);
  }
  return shape;
}

export class OpeningShape {
  /** Names and dimensions of the opening's slots, from `OPENING_AT` on. */
  readonly names: readonly string[];
  readonly dimensions: readonly Dimension[];
  /** null where the hole has not been measured. */
  readonly hole: PlateShape | null;
  /** How the hole lies: about the centre, turned. */
  readonly holePlace: { readonly xMm: number; readonly yMm: number; readonly angleRad: number };
  /** null where it has not been measured, or has no evenness. */
  readonly holeSpan: Span | null;
  readonly recess: PlateShape | null;
  /** null where there is none. */
  readonly bore: PlateShape | null;
  readonly fitted: FittedSheet | null;
  readonly obstacles: readonly ObstacleShape[];
  readonly frontSlot: number;
  readonly front: readonly FrontShape[];
  readonly lowerEdgeSlot: number;
  /** First slot of the screws' lengths. */
  readonly boltSlot: number;
  private readonly sheetSlots: SheetSlots | null;
  private readonly sharedSlots: readonly (readonly SharedSlot[])[];

  constructor(readonly opening: FitOpening) {
    const names: string[] = [];
    const dimensions: Dimension[] = [];
    const put = (name: string, dimension: Dimension) => {
      names.push(name);
      dimensions.push(dimension);
      return dimension;
    };
    mapOpening(opening, put);
    const fitted = sheetFit(opening);
    // What the fit believes of its readings and of what is usual counts, not what was written down.
    for (const { name, dimension } of fitted?.terms ?? []) dimensions[names.indexOf(name)] = dimension;
    const own = dimensions.length;
    for (const { shared = [], origin } of dimensions.slice(0, own)) {
      for (const error of shared) if (!names.includes(error.name)) put(error.name, sharedDimension(error, origin));
    }
    this.names = names;
    this.dimensions = dimensions;
    this.sharedSlots = dimensions.map(({ shared = [] }) =>
      shared.map(({ name, by }) => ({ slot: OPENING_AT + names.indexOf(name), by })),
    );
    const slot = (name: string) => {
      const at = names.indexOf(`opening.${name}`);
      return at < 0 ? -1 : OPENING_AT + at;
    };
    this.holePlace = { xMm: 0, yMm: 0, angleRad: opening.holeRad };
    this.hole = plate(opening.hole, slot, 'hole');
    this.holeSpan = this.hole && spanOf(this.hole.outline);
    this.recess = opening.recess && plate(opening.recess.outline, slot, 'recess');
    this.bore = opening.bore && {
      outline: { kind: 'circle', diameter: opening.bore.inside.valueMm },
      firstSlot: slot('bore.inside'),
    };
    this.fitted = fitted;
    this.sheetSlots = fitted && {
      slots: Int32Array.from(fitted.terms, ({ name }) => OPENING_AT + names.indexOf(name)),
      gains: Float64Array.from(fitted.terms.flatMap(({ gains }) => gains)),
    };
    this.obstacles = opening.obstacles.map((obstacle) => obstacleShape(obstacle, slot));
    this.frontSlot = slot('frontGap');
    this.front = opening.front.map((layer) => ({
      layer,
      gapSlot: slot(`front.${layer.id}.gap`),
      insideSlot: slot(`front.${layer.id}.inside`),
      inside: layer.inside && { kind: 'circle', diameter: layer.inside.valueMm },
    }));
    this.lowerEdgeSlot = slot('lowerEdge');
    this.boltSlot = Math.max(slot('boltCircle'), slot('boltWidth'), slot('boltPosition'));
  }

  /** The slot of one of its dimensions, by the end of its name. */
  slotOf(key: string): number {
    return OPENING_AT + this.names.indexOf(`opening.${key}`);
  }

  get sheet(): GlassSheet | null {
    return this.fitted?.sheet ?? null;
  }

  /** Puts the opening's dimensions into their slots. */
  fill(doubts: Doubts): void {
    this.dimensions.forEach((dimension, at) => {
      doubts.set(OPENING_AT + at, dimension, this.sharedSlots[at]);
    });
  }

  /** What the sheet's depth at a place depends on. */
  addSheet(doubts: Doubts, xMm: number, yMm: number, by: number): void {
    if (!this.sheetSlots) return;
    const { slots, gains } = this.sheetSlots;
    const square = yMm * yMm;
    for (let at = 0; at < slots.length; at++) {
      const base = 4 * at;
      const gain =
        (gains[base] as number) +
        (gains[base + 1] as number) * xMm +
        (gains[base + 2] as number) * yMm +
        (gains[base + 3] as number) * square;
      doubts.add(slots[at] as number, by * gain);
    }
  }
}

function plate(outline: FitOpening['hole'], slot: (name: string) => number, name: string): PlateShape | null {
  const mm = outlineMm(outline);
  const [ending] = outlineLengths(outline)[0] ?? [''];
  return mm && { outline: mm, firstSlot: slot(`${name}${ending}`) };
}

function obstacleShape(obstacle: FitObstacle, slot: (name: string) => number): ObstacleShape {
  return {
    obstacle,
    ...standing(obstacle),
    asides: asidesOf(obstacle),
    depthSlot: slot(`obstacle.${obstacle.id}.depth`),
    placeXSlot: slot(`obstacle.${obstacle.id}.placeX`),
    placeYSlot: slot(`obstacle.${obstacle.id}.placeY`),
  };
}

function standing(obstacle: FitObstacle): Pick<ObstacleShape, 'rod' | 'box' | 'solid'> {
  if (obstacle.shape.kind === 'rod') {
    const rod = obstacleRod(obstacle);
    return { rod, box: null, solid: rodSolid(rod) };
  }
  const box = obstacleBox(obstacle);
  return { rod: null, box, solid: boxSolid(box) };
}

/** As far aside as a rectangular doubt goes. */
const REACH = Math.sqrt(3);

function asidesOf(obstacle: FitObstacle): readonly Aside[] {
  const { xMm, yMm, placeX, placeY } = obstacle;
  return [placeX, placeY].flatMap((place, at) => {
    const reachMm = REACH * place.uncertaintyMm;
    if (reachMm === 0) return [];
    return [-reachMm, reachMm].map((byMm): Aside => {
      const moved = at === 0 ? { ...obstacle, xMm: xMm + byMm } : { ...obstacle, yMm: yMm + byMm };
      const { rod, solid } = standing(moved);
      return { axis: at === 0 ? 0 : 1, byMm, rod, solid };
    });
  });
}
