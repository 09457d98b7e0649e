/** Boxes in a box-shaped space, each side along one of its sides: whether they go in together, and by how much. */

export type BoxSides = { readonly lengthMm: number; readonly widthMm: number; readonly heightMm: number };

export type BoxRoom = {
  /** So much larger could each side of each box be, and an arrangement was found; below 0 by how much they are too large. Null where none was looked for. */
  readonly foundMm: number | null;
  /** No arrangement leaves more: by each box alone, and by what all take together. */
  readonly atMostMm: number;
};

/** So many are laid in every order, every way round; of more only what each takes is told. */
const MOST_TRIED = 4;
/** Of 300 mm to a thousandth of one. */
const STEPS = 18;

type Sides = readonly [number, number, number];
type Laid = { readonly at: Sides; readonly sides: Sides };

/**
 * Two arrangements are compared by what they leave free on every side at once. One is found by laying each box into the corners that the space and
 * the boxes before it make: of two boxes that finds the best there is, of more an arrangement that interlocks may be missed, so that "does not
 * fit" is said by `atMostMm` alone.
 *
 * @param boxes at least one
 */
export function boxRoom(boxes: readonly BoxSides[], space: BoxSides): BoxRoom {
  const key = JSON.stringify([boxes, space]);
  const before = kept.get(key);
  if (before) return before;
  const room = roomOf(boxes, space);
  if (kept.size >= MOST_KEPT) kept.clear();
  kept.set(key, room);
  return room;
}

/** Four boxes take a tenth of a second to lay, and each of them asks; what was found for the same ones is the same. */
const kept = new Map<string, BoxRoom>();
const MOST_KEPT = 50;

function roomOf(boxes: readonly BoxSides[], space: BoxSides): BoxRoom {
  const all = boxes.map(sidesOf);
  const room = sidesOf(space);
  const alone = Math.min(...all.map((box) => aloneMm(box, room)));
  if (all.length === 1) return { foundMm: alone, atMostMm: alone };
  const atMostMm = Math.min(alone, byVolumeMm(all, room));
  if (all.length > MOST_TRIED) return { foundMm: null, atMostMm };
  // No side shrinks to nothing.
  let fits = -Math.min(...all.flat());
  let not = atMostMm;
  if (goIn(all, room, not)) return { foundMm: not, atMostMm };
  for (let step = 0; step < STEPS; step++) {
    const middle = (fits + not) / 2;
    if (goIn(all, room, middle)) fits = middle;
    else not = middle;
  }
  // Two that do not overlap lie one beside the other along one side: all such arrangements were tried.
  return { foundMm: fits, atMostMm: all.length === 2 ? fits : atMostMm };
}

function sidesOf({ lengthMm, widthMm, heightMm }: BoxSides): Sides {
  return [lengthMm, widthMm, heightMm];
}

/** Turned as it goes in best: the longest side along the longest, and so on. */
function aloneMm(box: Sides, room: Sides): number {
  const [mine, there] = [box.toSorted(falling), room.toSorted(falling)];
  return Math.min(...mine.map((side, at) => (there[at] as number) - side));
}

function falling(a: number, b: number): number {
  return b - a;
}

const VOLUME_STEPS = 48;

/** By how much each side could grow before all of them take more than the space has. */
function byVolumeMm(boxes: readonly Sides[], room: Sides): number {
  const volume = (sides: Sides, more: number) => sides.reduce((product, side) => product * Math.max(0, side + more), 1);
  const all = (more: number) => boxes.reduce((sum, box) => sum + volume(box, more), 0);
  let [least, most] = [-Math.max(...boxes.flat()), Math.max(...room)];
  for (let step = 0; step < VOLUME_STEPS; step++) {
    const middle = (least + most) / 2;
    if (all(middle) <= volume(room, 0)) least = middle;
    else most = middle;
  }
  return most;
}

/** Below it two faces touch, mm. */
const TOUCHING_MM = 1e-6;

function goIn(boxes: readonly Sides[], room: Sides, moreMm: number): boolean {
  const grown = boxes.map((box): Sides => [box[0] + moreMm, box[1] + moreMm, box[2] + moreMm]);
  return lay(grown, room, []);
}

function lay(left: readonly Sides[], room: Sides, laid: readonly Laid[]): boolean {
  if (left.length === 0) return true;
  // Whatever does not go in turned as it goes best goes in no corner.
  if (left.some((box) => aloneMm(box, room) < -TOUCHING_MM)) return false;
  // A corner is made by a box before it in this order: laid in another one, the same arrangement would be tried again.
  const last = laid.at(-1)?.at;
  const corners = cornersOf(laid).filter((at) => last === undefined || !isBefore(at, last));
  return left.some((box, which) => {
    const others = left.filter((_, each) => each !== which);
    return turnsOf(box).some((sides) =>
      corners.some((at) => isFree({ at, sides }, room, laid) && lay(others, room, [...laid, { at, sides }])),
    );
  });
}

/** Each once: of two sides that are alike nothing is turned. */
function turnsOf([a, b, c]: Sides): readonly Sides[] {
  const all: readonly Sides[] = [
    [a, b, c],
    [a, c, b],
    [b, a, c],
    [b, c, a],
    [c, a, b],
    [c, b, a],
  ];
  return a === b || b === c || a === c
    ? all.filter((turn, at) => at === all.findIndex((each) => isAlike(each, turn)))
    : all;
}

/** By length, then width, then height. */
function isBefore([a, b, c]: Sides, [x, y, z]: Sides): boolean {
  return a !== x ? a < x : b !== y ? b < y : c < z;
}

function isAlike(a: Sides, b: Sides): boolean {
  return a.every((side, axis) => side === b[axis]);
}

/** Where a box can lie against the walls, or against those that are there. */
function cornersOf(laid: readonly Laid[]): readonly Sides[] {
  return [
    [0, 0, 0],
    ...laid.flatMap(({ at: [x, y, z], sides: [length, width, height] }): Sides[] => [
      [x + length, y, z],
      [x, y + width, z],
      [x, y, z + height],
    ]),
  ];
}

function isFree({ at, sides }: Laid, room: Sides, laid: readonly Laid[]): boolean {
  const isInside = sides.every((side, axis) => (at[axis] as number) + side <= (room[axis] as number) + TOUCHING_MM);
  return (
    isInside &&
    laid.every((other) =>
      sides.some(
        (side, axis) =>
          (at[axis] as number) + side <= (other.at[axis] as number) + TOUCHING_MM ||
          (other.at[axis] as number) + (other.sides[axis] as number) <= (at[axis] as number) + TOUCHING_MM,
      ),
    )
  );
}
