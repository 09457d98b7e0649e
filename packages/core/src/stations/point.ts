/** An open point of a job: a question or a piece of work, what is at stake, and the one place where it is settled. */
import type { OpeningState } from '../contracts/jobs';
import type { CarFactKey, JobFacts, OpeningRecord, ShopSettings, VehicleRecord } from '../model';

export const RAIL = ['bookIn', 'measure', 'match', 'wire', 'order', 'build', 'handOver'] as const;
export type RailStation = (typeof RAIL)[number];

/** Where an answer is to be had, the cheapest first. */
export const ASKED_AT = ['telephone', 'counter', 'doorOpen', 'panelOff', 'bay', 'handOver'] as const;
export type AskedAt = (typeof ASKED_AT)[number];

/** Where on the screen it is settled: a field of booking in, the baseline, the vehicle, the wires, an opening's measurements or what fits it, the work in the bay, or hand-over. */
export type SettledAt =
  | { readonly kind: 'bookIn'; readonly field: keyof JobFacts }
  | { readonly kind: 'facts'; readonly key: CarFactKey }
  | { readonly kind: 'baseline' }
  | { readonly kind: 'build' }
  | { readonly kind: 'handOver' }
  | { readonly kind: 'vehicle' }
  | { readonly kind: 'wires' }
  | { readonly kind: 'measure'; readonly openingId: string }
  | { readonly kind: 'match'; readonly openingId: string };

export type OpenPoint = {
  readonly id: string;
  readonly station: RailStation;
  /** null for what is worked out, not asked. */
  readonly askedAt: AskedAt | null;
  /** The question, or what is to be done. */
  readonly words: string;
  /** What is at stake. */
  readonly stake: string;
  readonly settledAt: SettledAt;
  /** Nothing may be ordered or begun before it is settled. */
  readonly isHeld: boolean;
};

/** What of an opening the points follow from. */
export type PointOpening = {
  readonly id: string;
  readonly record: Pick<
    OpeningRecord,
    | 'place'
    | 'side'
    | 'name'
    | 'presence'
    | 'nominalSize'
    | 'assumed'
    | 'wiring'
    | 'secondPlug'
    | 'plugFaces'
    | 'polarity'
    | 'lineFilter'
    | 'jointWay'
    | 'tweeterSeat'
    | 'housing'
    | 'obstaclesLooked'
    | 'behind'
    | 'oldSpeaker'
    | 'earlier'
    | 'build'
  >;
  readonly state: OpeningState;
};

/** What the shop wants of every car. */
export type ShopWishes = Pick<
  ShopSettings,
  'signature' | 'polarityProof' | 'confidence' | 'clearancesMm' | 'halfWidthsMm' | 'resolutionsMm'
>;

export type PointJob = JobFacts & { readonly vehicle: Omit<VehicleRecord, 'openings'> };
