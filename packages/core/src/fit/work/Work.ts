/**
 * What a hand changes at the bench or at the door so that a candidate clears. It belongs to the choice as the parts do: the
 * choice is judged with it, and it is on the list of what is still to be done.
 */

export type PlateFigures = {
  readonly thicknessMm: number;
  /** Full sizes of the throat. */
  readonly throatMm: { readonly length: number; readonly width: number };
  readonly outsideMm: number;
  /** How the speaker's side is turned against the car's, rad. */
  readonly turnRad: number;
  /** Whether the flange lies over a screw of the car's, whose head has to be sunk. */
  readonly isSunk: boolean;
  readonly vehicleHoles: number;
  readonly speakerHoles: number;
};

export type Work =
  /** A new wire notch in each bracket that has one: its direction in the bracket's own frame, rad; null for a bracket without. */
  | { readonly kind: 'cutNotch'; readonly notchesRad: readonly (number | null)[] }
  /** What is missing in front where the cloth is cut away, mm. */
  | { readonly kind: 'cutCloth'; readonly byMm: number }
  /** So much comes off the thickest ring of the stack. */
  | { readonly kind: 'thinRing'; readonly byMm: number }
  /** All round, from the throats of the brackets. */
  | { readonly kind: 'fileThroat'; readonly byMm: number }
  /** All round, from the hole in the car. */
  | { readonly kind: 'fileHole'; readonly byMm: number }
  /** Live terminals are bent to lie along the body. */
  | { readonly kind: 'bendLugs' }
  /** So much is cut off the ends of live terminals. */
  | { readonly kind: 'cutLugs'; readonly byMm: number }
  | {
      readonly kind: 'drill';
      /** New holes, as places of the opening's face. */
      readonly holes: readonly { readonly xMm: number; readonly yMm: number }[];
      /** Which of the old screw holes go on being used, in their order. */
      readonly kept: readonly number[];
      /** How far the part is turned from where its own screws would hold it, rad; 0 where it is not. */
      readonly turnedRad: number;
    }
  /** What stands proud around the hole is ground off, by its ids. */
  | { readonly kind: 'grind'; readonly ids: readonly string[] }
  | ({ readonly kind: 'cutPlate' } & PlateFigures);

export type WorkKind = Work['kind'];

/** What changes the car and cannot be undone: each needs a consent of its own. */
export const CAR_WORKS = ['cutCloth', 'fileHole', 'drill', 'grind'] as const satisfies readonly WorkKind[];
export type CarWork = (typeof CAR_WORKS)[number];

export function isCarWork(kind: WorkKind): kind is CarWork {
  return CAR_WORKS.some((each) => each === kind);
}

type WorkFacts = {
  /** For one side of the car; of what is done several times, for each. */
  readonly minutes: number;
  /** What the first dry fit shows. */
  readonly firstFit: string;
  /** What can be had back. */
  readonly undone: string;
};

const CAR_IS_CHANGED = 'it cannot be undone: the car is changed';
const NEW_PART = 'it cannot be undone, but for a new part';

/** Minutes are common practice, no source. */
export const WORK_FACTS: Readonly<Record<WorkKind, WorkFacts>> = {
  cutNotch: { minutes: 5, firstFit: 'the wire lies free when the screws are tight', undone: NEW_PART },
  cutCloth: { minutes: 10, firstFit: 'nothing touches at full travel', undone: CAR_IS_CHANGED },
  thinRing: { minutes: 15, firstFit: 'the ring lies flat, with no light under it', undone: NEW_PART },
  fileThroat: { minutes: 10, firstFit: 'the basket drops in without being pushed', undone: NEW_PART },
  fileHole: { minutes: 15, firstFit: 'the basket drops in without being pushed', undone: CAR_IS_CHANGED },
  bendLugs: {
    minutes: 5,
    firstFit: 'the plug goes on and stays clear of all metal',
    undone: 'a lug that is bent twice breaks, and the speaker may not go back',
  },
  cutLugs: {
    minutes: 5,
    firstFit: 'the plug holds on what is left',
    undone: 'it cannot be undone, and the speaker may not go back',
  },
  drill: { minutes: 10, firstFit: 'the flange lies flat over the new screws', undone: CAR_IS_CHANGED },
  grind: { minutes: 10, firstFit: 'a straight edge lies on the metal all round', undone: CAR_IS_CHANGED },
  cutPlate: {
    minutes: 45,
    firstFit: 'both patterns line up before a screw is driven',
    undone: 'what is cut wrong is another sheet',
  },
};

/** For one side of the car. */
export function minutesOf(work: Work): number {
  const times = work.kind === 'drill' ? work.holes.length : work.kind === 'grind' ? work.ids.length : 1;
  return WORK_FACTS[work.kind].minutes * times;
}

/** Changes of this kind are made to the car itself. */
export const CUTS_THE_CAR: ReadonlySet<WorkKind> = new Set(['fileHole', 'drill', 'grind']);

/** The tallest part may stand so far into the cloth once it is cut away there, mm (common practice, no source). */
export const CLOTH_MM = 6;
/** More than this is no filing, mm all round. */
export const MOST_FILED_MM = 4;
/** More than this is another ring, mm. */
export const MOST_THINNED_MM = 3;
/** A ring that is thinner bends between its screws, mm. */
export const THINNEST_MM = 2;
/** A plug holds on no less of a lug, mm (from memory, no source). */
export const SHORTEST_LUG_MM = 8;
