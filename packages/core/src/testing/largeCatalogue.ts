/**
 * A catalogue of any size and a vehicle of twelve openings, invented and the same for the same seed. Sizes spread as they
 * do in the trade: a nominal size is a name, two of one name differ by 10 mm in cutout and 25 mm in depth, patterns come
 * in families, and brackets are made for vehicles of which this one is one among many. Most parts fail here, for
 * different reasons, and several hundred speakers fit.
 */

import type { BracketRecord, HarnessAdapterRecord, PartRecord, SpacerRecord, SpeakerRecord } from '../catalogue';
import { toFitCatalogue } from '../catalogue';
import type { FitCatalogue, FitOpening, FitRules } from '../fit/shapes';
import { seededRandom } from '../math/seededRandom';
import { sheetDefaults } from '../model/sheetDefaults';
import { type Dimension, rectangular } from '../uncertainty/Dimension';
import type { Terminals } from '../wiring';
import { offered, PLAINLY_LISTED, PLAINLY_NAMED } from './offers';

type SizeFamily = {
  readonly name: SpeakerRecord['nominalSize'];
  readonly share: number;
  readonly basket: readonly [number, number];
  readonly depth: readonly [number, number];
  /** Bolt circles, or widths × heights. */
  readonly circles?: readonly number[];
  readonly rectangles?: readonly (readonly [number, number])[];
};

const FAMILIES: readonly SizeFamily[] = [
  { name: '1 in', share: 0.06, basket: [44, 44], depth: [12, 22], circles: [50, 54] },
  { name: '3.5 in', share: 0.1, basket: [77, 77], depth: [32, 48], circles: [90, 93, 95.5] },
  { name: '4 in', share: 0.11, basket: [94, 94], depth: [38, 55], circles: [108, 112, 115] },
  {
    name: '4×6',
    share: 0.06,
    basket: [144, 92],
    depth: [40, 58],
    rectangles: [
      [126, 78],
      [128, 80],
    ],
  },
  { name: '5.25 in', share: 0.17, basket: [116, 116], depth: [42, 66], circles: [128, 133.5, 137, 140] },
  {
    name: '6×8',
    share: 0.07,
    basket: [174, 126],
    depth: [52, 78],
    rectangles: [
      [156, 111],
      [160, 115],
    ],
  },
  { name: '6.5 in', share: 0.28, basket: [133, 133], depth: [44, 78], circles: [150, 154, 156, 158, 160, 165] },
  { name: '6.75 in', share: 0.06, basket: [143, 143], depth: [48, 78], circles: [160, 165, 166] },
  {
    name: '6×9',
    share: 0.09,
    basket: [218, 152],
    depth: [68, 100],
    rectangles: [
      [190, 133],
      [194, 135],
      [196, 137],
    ],
  },
];

const TERMINALS: readonly Terminals[] = ['spades 2.8 + 4.8', 'spades 4.8 + 6.3', 'bare ends'];
const MAKERS = ['Ostler', 'Wend', 'Marram', 'Skerry', 'Thole', 'Quern', 'Lugger', 'Fathom'];

/** Vehicle patterns that brackets are made for: this vehicle's and many others'. */
const VEHICLE_CIRCLES = [88, 96, 103, 110, 117, 124, 131, 138, 144, 148, 152, 157, 162, 166, 171, 176, 182];
const VEHICLE_RECTANGLES = [
  [120, 72],
  [130, 84],
  [152, 104],
  [164, 118],
  [184, 128],
  [198, 140],
] as const;

export const LARGE_RULES: FitRules = {
  clearancesMm: {
    glass: 5,
    metal: 4,
    wiring: 2,
    front: 3,
    cloth: 0,
    hole: 1,
    terminal: 4,
    cover: 2,
    wall: 1.5,
    bite: 6,
    finished: 3,
  },
  confidence: 0.975,
  stock: [3, 6, 9, 12, 18].map((thicknessMm) => ({ thicknessMm, halfWidthMm: 0.3, ringCostMinor: 1200 })),
  mostRaisedMm: 45,
};

export type LargeOptions = { readonly speakers: number; readonly brackets: number; readonly seed: number };

export function largeCatalogue(options: LargeOptions): FitCatalogue {
  return toFitCatalogue(largeParts(options));
}

export function largeParts({ speakers, brackets, seed }: LargeOptions): PartRecord[] {
  const make = new Maker(seededRandom(seed));
  return [
    ...Array.from({ length: speakers }, (_, at) => make.speaker(at)),
    ...Array.from({ length: brackets }, (_, at) => make.bracket(at)),
    ...Array.from({ length: 16 }, (_, at) => make.spacer(at)),
    ...TERMINALS.map((terminals, at) => adapter(at, terminals)),
  ];
}

class Maker {
  constructor(private readonly random: () => number) {}

  speaker(at: number): SpeakerRecord {
    const family = this.family();
    const [length, width] = family.basket;
    const scale = this.between(0.955, 1.045);
    const depth = half(this.between(...family.depth));
    const basket = { lengthMm: half(length * scale), widthMm: half(width * scale) };
    const magnet = half(Math.min(basket.widthMm * this.between(0.5, 0.78), 125));
    const flange = half(this.between(3, 6));
    const isRound = family.circles !== undefined;
    const stated = this.random() < 0.3;
    const record: SpeakerRecord = {
      kind: 'speaker',
      ...this.orderable('spk', at, 3000, 24000),
      name: `${this.pick(['Reef', 'Sound', 'Cove', 'Tarn', 'Gull', 'Drift'])} ${family.name} ${at}`,
      speakerKind: this.pick(['coaxial', 'component woofer', 'full range']),
      nominalSize: family.name,
      basket: isRound ? { kind: 'circle', diameterMm: basket.lengthMm } : { kind: 'oval', ...basket },
      flange: isRound
        ? { kind: 'circle', diameterMm: half(basket.lengthMm + 26) }
        : { kind: 'oval', lengthMm: half(basket.lengthMm + 22), widthMm: half(basket.widthMm + 22) },
      flangeThicknessMm: flange,
      mountingDepthMm: depth,
      depthDatum: this.pick(['underside', 'underside', 'underside', 'top', 'notStated']),
      surroundMm: null,
      frontHeightMm: half(this.between(3, 16)),
      magnetDiameterMm: magnet,
      massG: null,
      profile: stated
        ? [
            { depthMm: 0, ...basket },
            { depthMm: half(depth * this.between(0.2, 0.42)), ...basket },
            { depthMm: half(depth * this.between(0.48, 0.68)), lengthMm: magnet, widthMm: magnet },
            { depthMm: depth, lengthMm: magnet, widthMm: magnet },
          ]
        : [],
      boxes: [],
      bolts: family.circles
        ? circle(this.pick(family.circles), this.pick([4, 4, 4, 8]), 45, this.pick([4.5, 5.2]), this.pick([0, 3]))
        : rectangle(this.pick(family.rectangles ?? [[100, 80]]), this.pick([4.5, 5.2]), this.pick([0, 3])),
      screws: [],
      terminals: this.pick(TERMINALS),
      impedanceOhm: 4,
      rmsW: Math.round(this.between(20, 120)),
      otherRating: null,
      sensitivityDb: Math.round(this.between(86, 94)),
      sensitivityAt: 'notStated',
      ...PLAINLY_LISTED,
    };
    return record;
  }

  bracket(at: number): BracketRecord {
    const family = this.family();
    const isRound = family.circles !== undefined;
    const [length, width] = family.basket;
    const grow = this.between(1.0, 1.06);
    return {
      kind: 'bracket',
      ...this.orderable('brk', at, 700, 4200),
      roundingMm: 0.3,
      name: `Plate ${at}`,
      vehicleBolts: isRound
        ? circle(this.pick(VEHICLE_CIRCLES), this.pick([3, 3, 4]), this.pick([0, 30, 45, 90]), 6, 4)
        : rectangle(this.pick(VEHICLE_RECTANGLES), 6, 4),
      speakerBolts: family.circles
        ? circle(this.pick(family.circles), 4, 45, 4, 0)
        : rectangle(this.pick(family.rectangles ?? [[100, 80]]), 4, 0),
      throat: isRound
        ? { kind: 'circle', diameterMm: half(length * grow) }
        : { kind: 'oval', lengthMm: half(length * grow), widthMm: half(width * grow) },
      plate: isRound
        ? { kind: 'circle', diameterMm: half(length + 40) }
        : { kind: 'oval', lengthMm: half(length + 40), widthMm: half(width + 40) },
      heightMm: half(this.between(3, 26)),
      offsetXMm: this.random() < 0.08 ? half(this.between(-8, 8)) : 0,
      offsetYMm: this.random() < 0.08 ? half(this.between(-8, 8)) : 0,
      notchDeg: this.random() < 0.4 ? this.pick([0, 90, 180, 270]) : null,
      earMm: null,
      bossMm: null,
      wallMm: null,
      copies: [],
      screws: [],
      snapOffs: [],
    };
  }

  spacer(at: number): SpacerRecord {
    const inner = this.pick([96, 120, 136, 140, 146]);
    return {
      kind: 'spacer',
      ...this.orderable('spc', at, 500, 1600),
      roundingMm: 0.3,
      name: `Ring ${at}`,
      inner: { kind: 'circle', diameterMm: inner },
      outer: { kind: 'circle', diameterMm: inner + 44 },
      heightMm: this.pick([5, 8, 10, 15, 20]),
    };
  }

  private orderable(prefix: string, at: number, least: number, most: number) {
    return {
      id: `${prefix}-${String(at).padStart(6, '0')}`,
      maker: this.pick(MAKERS),
      name: '',
      ...PLAINLY_NAMED,
      offers: [...offered(this.pick([1, 2, 2]), Math.round(this.between(least, most)))],
      roundingMm: this.random() < 0.8 ? 0.5 : 0.25,
    };
  }

  private family(): SizeFamily {
    let at = this.random();
    for (const family of FAMILIES) {
      at -= family.share;
      if (at < 0) return family;
    }
    return FAMILIES[6] as SizeFamily;
  }

  private between(low: number, high: number): number {
    return low + (high - low) * this.random();
  }

  private pick<T>(list: readonly T[]): T {
    return list[Math.floor(this.random() * list.length)] as T;
  }
}

function half(valueMm: number): number {
  return Math.round(valueMm * 2) / 2;
}

function circle(diameterMm: number, count: number, firstAngleDeg: number, holeDiameterMm: number, slotMm: number) {
  return {
    shape: { kind: 'circle' as const, count, diameterMm, firstAngleDeg },
    holeDiameterMm,
    slotMm,
    slotRuns: holeDiameterMm === 6 ? ('tangential' as const) : ('radial' as const),
  };
}

function rectangle([widthMm, heightMm]: readonly [number, number], holeDiameterMm: number, slotMm: number) {
  return {
    shape: { kind: 'rectangle' as const, widthMm, heightMm },
    holeDiameterMm,
    slotMm,
    slotRuns: 'radial' as const,
  };
}

function adapter(at: number, terminals: Terminals): HarnessAdapterRecord {
  return {
    kind: 'harnessAdapter',
    id: `lead-${at}`,
    maker: 'Loom',
    name: `Lead ${at}`,
    ...PLAINLY_NAMED,
    offers: [...offered(2, 900)],
    roundingMm: 0.5,
    fromConnectorId: 'plug',
    plugMm: 0,
    lengthMm: null,
    filter: null,
    needsDoorWires: null,
    to: { kind: 'terminals', terminals },
  };
}

const stick = (valueMm: number): Dimension => rectangular(valueMm, 1, 'takenHere');
const calliper = (valueMm: number): Dimension => rectangular(valueMm, 0.2, 'takenHere');

/** Twelve openings: doors, dash, kick panels, side panels and a deck, each with its own surroundings. */
export function largeVehicle(): readonly FitOpening[] {
  return [
    door('Front door, left', '6.5 in', 146, 166, 68, 22, 90),
    door('Front door, right', '6.5 in', 146, 166, 66, 22, 90),
    door('Rear door, left', '5.25 in', 128, 148, 58, 18, 30),
    door('Rear door, right', '5.25 in', 128, 148, 60, 18, 30),
    plain('Dash corner, left', '3.5 in', 84, 96, 44, 14),
    plain('Dash corner, right', '3.5 in', 84, 96, 44, 14),
    plain('Dash centre', '4 in', 100, 110, 52, 16),
    plain('Kick panel, left', '5.25 in', 126, 144, 62, 20),
    plain('Kick panel, right', '5.25 in', 126, 144, 62, 20),
    plain('Side panel, left', '6.5 in', 142, 162, 74, 24),
    plain('Side panel, right', '6.5 in', 142, 162, 74, 24),
    { ...plain('Rear deck', '6.5 in', 148, 166, 90, 28), behind: 'nothing' },
  ];
}

function door(
  label: string,
  nominalSize: string,
  holeMm: number,
  circleMm: number,
  depthMm: number,
  frontMm: number,
  firstAngleDeg: number,
): FitOpening {
  const rim = holeMm / 2 - 5;
  return {
    ...plain(label, nominalSize, holeMm, circleMm, depthMm, frontMm),
    bolts: screws(circleMm, 3, firstAngleDeg),
    behind: 'glass',
    depths: [
      { key: 'depthBehind', xMm: 0, yMm: 0, depth: stick(depthMm) },
      { key: 'depthTop', xMm: 0, yMm: rim, depth: stick(depthMm - 7) },
    ],
    sheet: sheetDefaults('glass'),
    lowerEdge: rectangular(-20, 8, 'carriedOver'),
    obstacles: [
      {
        id: 'beam',
        label: 'crash beam',
        kind: 'beam',
        xMm: 0,
        yMm: -holeMm / 2 + 12,
        depth: stick(depthMm - 14),
        placeX: rectangular(0, 4, 'takenHere'),
        placeY: rectangular(0, 4, 'takenHere'),
        angleRad: 0.2,
        tiltRad: 0,
        givesMm: 0,
        shape: { kind: 'rod', diameterMm: 32 },
      },
    ],
  };
}

function plain(
  label: string,
  nominalSize: string,
  holeMm: number,
  circleMm: number,
  depthMm: number,
  frontMm: number,
): FitOpening {
  return {
    label,
    isThere: 'yes',
    assumed: [],
    nominalSize,
    hole: { kind: 'circle', diameter: calliper(holeMm) },
    holeRad: 0,
    wallMm: 1.5,
    material: 'sheetSteel',
    recess: null,
    bore: null,
    proud: [],
    proudLooked: true,
    bolts: screws(circleMm, 4, 45),
    fixing: 'screws',
    boltsMissing: [],
    behind: 'metal',
    depths: [{ key: 'depthBehind', xMm: 0, yMm: 0, depth: stick(depthMm) }],
    sheet: sheetDefaults('metal'),
    lowerEdge: null,
    obstacles: [],
    obstaclesLooked: true,
    frontGap: stick(frontMm),
    clothIsCut: false,
    front: [],
    plugRad: Math.PI,
    wiring: { kind: 'connector', connectorId: 'plug', connectorName: 'plug' },
    secondPlug: 'none',
    pinsBeyond: [],
    airbag: 'none',
    made: null,
  };
}

function screws(circleMm: number, count: number, firstAngleDeg: number): FitOpening['bolts'] {
  return {
    shape: {
      kind: 'circle',
      count,
      diameter: calliper(circleMm),
      firstAngleRad: (firstAngleDeg * Math.PI) / 180,
    },
    holeDiameterMm: 4.2,
    slotMm: 0,
    slotRuns: 'radial',
  };
}
