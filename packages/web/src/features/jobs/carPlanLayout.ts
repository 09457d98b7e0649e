/**
 * Where things are in the plan of a car, seen from above with the front up. One unit is a hundredth of the car's
 * length; left is left on the paper, as for a person in the driver's seat. Own proportions, no particular vehicle.
 */
import type { Body, Cab, Place, Side } from '@low-quarry/core/model';

export type PlanPoint = { readonly x: number; readonly y: number };

export const PLAN = { width: 64, height: 108 } as const;
const MIDDLE = PLAN.width / 2;

export type PlanLines = {
  /** The outline of the body as an SVG path. */
  readonly outline: string;
  /** Windscreen, rear window, door gaps, the step to a load bed. */
  readonly details: readonly string[];
  readonly seatRows: readonly number[];
  readonly doorGaps: readonly number[];
};

type Shape = {
  readonly half: number;
  readonly front: number;
  readonly rear: number;
  readonly screen: number;
  readonly rearWindow: number;
  readonly seatRows: readonly number[];
  readonly doorGaps: readonly number[];
  readonly nose: number;
  readonly tail: number;
};

const SHAPES: Readonly<Record<Body, Shape>> = {
  hatchback: {
    half: 21,
    front: 8,
    rear: 96,
    screen: 34,
    rearWindow: 86,
    seatRows: [50, 70],
    doorGaps: [38, 60, 80],
    nose: 12,
    tail: 10,
  },
  estate: {
    half: 21,
    front: 4,
    rear: 104,
    screen: 31,
    rearWindow: 96,
    seatRows: [46, 65],
    doorGaps: [35, 56, 75],
    nose: 12,
    tail: 6,
  },
  saloon: {
    half: 21,
    front: 4,
    rear: 104,
    screen: 33,
    rearWindow: 84,
    seatRows: [48, 67],
    doorGaps: [37, 57, 76],
    nose: 12,
    tail: 12,
  },
  suv: {
    half: 23,
    front: 5,
    rear: 103,
    screen: 30,
    rearWindow: 95,
    seatRows: [45, 64],
    doorGaps: [34, 55, 75],
    nose: 9,
    tail: 5,
  },
  smallVan: {
    half: 22,
    front: 6,
    rear: 102,
    screen: 27,
    rearWindow: 98,
    seatRows: [42],
    doorGaps: [31, 55, 80],
    nose: 10,
    tail: 4,
  },
  largeVan: {
    half: 24,
    front: 4,
    rear: 105,
    screen: 15,
    rearWindow: 101,
    seatRows: [27],
    doorGaps: [19, 40, 62],
    nose: 8,
    tail: 3,
  },
  lorry: {
    half: 28,
    front: 12,
    rear: 80,
    screen: 20,
    rearWindow: 74,
    seatRows: [36],
    doorGaps: [26, 54],
    nose: 4,
    tail: 3,
  },
  roadster: {
    half: 20,
    front: 8,
    rear: 98,
    screen: 42,
    rearWindow: 72,
    seatRows: [56],
    doorGaps: [46, 70],
    nose: 16,
    tail: 14,
  },
  minibus: {
    half: 23,
    front: 4,
    rear: 104,
    screen: 14,
    rearWindow: 99,
    seatRows: [26, 44, 60, 76, 90],
    doorGaps: [18, 36, 56],
    nose: 8,
    tail: 4,
  },
  pickup: {
    half: 22,
    front: 4,
    rear: 104,
    screen: 29,
    rearWindow: 66,
    seatRows: [42, 57],
    doorGaps: [32, 49, 64],
    nose: 8,
    tail: 3,
  },
  coupe: {
    half: 21,
    front: 5,
    rear: 101,
    screen: 38,
    rearWindow: 82,
    seatRows: [54, 72],
    doorGaps: [42, 70],
    nose: 16,
    tail: 14,
  },
};

/** One row of seats, and the bed right behind it. */
const SINGLE_CAB: Shape = { ...SHAPES.pickup, rearWindow: 54, seatRows: [42], doorGaps: [32, 52] };

type Planned = { readonly body: Body; readonly cab: Cab | null };

function shapeOf({ body, cab }: Planned): Shape {
  return body === 'pickup' && cab === 'single' ? SINGLE_CAB : SHAPES[body];
}

export function planLines(vehicle: Planned): PlanLines {
  const { body } = vehicle;
  const { half, front, rear, screen, rearWindow, seatRows, doorGaps, nose, tail } = shapeOf(vehicle);
  const [left, right] = [MIDDLE - half, MIDDLE + half];
  const outline = `M${MIDDLE} ${front} C${right - 6} ${front} ${right} ${front + nose / 3} ${right} ${front + nose} L${right} ${rear - tail} C${right} ${rear - tail / 4} ${right - 4} ${rear} ${MIDDLE} ${rear} C${left + 4} ${rear} ${left} ${rear - tail / 4} ${left} ${rear - tail} L${left} ${front + nose} C${left} ${front + nose / 3} ${left + 6} ${front} ${MIDDLE} ${front}Z`;
  const inset = 4;
  const details = [
    `M${left + inset} ${screen + 5} Q${MIDDLE} ${screen - 5} ${right - inset} ${screen + 5}`,
    `M${left + inset} ${rearWindow} Q${MIDDLE} ${rearWindow + 4} ${right - inset} ${rearWindow}`,
    `M${left + inset} ${screen + 5} L${left + inset} ${rearWindow} M${right - inset} ${screen + 5} L${right - inset} ${rearWindow}`,
    ...(body === 'pickup' ? [`M${left + 3} ${rearWindow + 6} H${right - 3} V${rear - 4} H${left + 3}Z`] : []),
  ];
  return { outline, details, seatRows, doorGaps };
}

/** The middle of the door skin, for drawing its gaps. */
export function planSides(vehicle: Planned): { readonly left: number; readonly right: number } {
  const { half } = shapeOf(vehicle);
  return { left: MIDDLE - half, right: MIDDLE + half };
}

/** Where an opening is marked. */
export function planPoint(vehicle: Planned, place: Place, side: Side): PlanPoint {
  const { body } = vehicle;
  const { half, screen, rearWindow, doorGaps, rear, seatRows } = shapeOf(vehicle);
  const [frontGap = screen, middleGap = screen + 20, rearGap = rearWindow] = doorGaps;
  const toSide = (distance: number) =>
    side === 'centre' ? MIDDLE : side === 'left' ? MIDDLE - distance : MIDDLE + distance;
  switch (place) {
    case 'frontDoorLow':
      return { x: toSide(half - 1), y: frontGap + 8 };
    case 'frontDoorHigh':
      return { x: toSide(half - 1), y: frontGap + 14 };
    case 'rearDoor':
      return { x: toSide(half - 1), y: middleGap + 8 };
    case 'rearDoorHigh':
      return { x: toSide(half - 1), y: middleGap + 14 };
    case 'dashCorner':
      return { x: toSide(half - 8), y: screen + 6 };
    case 'dashCentre':
      return { x: MIDDLE, y: screen + 4 };
    case 'sailPanel':
      return { x: toSide(half - 2), y: frontGap + 1 };
    case 'kickPanel':
      return { x: toSide(half - 4), y: frontGap - 2 };
    case 'aPillar':
      return { x: toSide(half - 4), y: screen + 10 };
    case 'sidePanel':
      return { x: toSide(half - 2), y: body === 'coupe' ? rearGap + 8 : Math.min(rearGap + 22, rear - 12) };
    case 'rearDeck':
      return { x: toSide(half - 10), y: Math.min(rearWindow - 2, rear - 8) };
    case 'rearWall':
      return { x: toSide(half - 8), y: rearWindow - 4 };
    case 'underSeat':
      return { x: toSide(half - 12), y: (seatRows[0] ?? middleGap) + 5 };
    case 'other':
      return { x: toSide(half - 12), y: rear - 20 };
    case 'overhead':
      return { x: toSide(half - 12), y: middleGap + 20 };
  }
}
