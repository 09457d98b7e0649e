/**
 * What the checks work on: plain shapes with dimensions, no records. `model` maps a record to these, so geometry can
 * be tested with three numbers and a change of the database never reaches it.
 *
 * Frame: z = 0 is the mounting plane (the metal the part is screwed to), +z points into the door towards the glass,
 * −z to the cabin. Face views are seen from the cabin, x to the right, y up.
 */
import type { BoltPattern } from '../geometry/BoltPattern';
import type { Outline } from '../geometry/Outline';
import type { Dimension } from '../uncertainty/Dimension';

/** What lies behind the opening. */
export type Behind = 'glass' | 'metal' | 'nothing';

/** What is known of the plug behind the opening. */
export type FactoryWiring =
  | { readonly kind: 'connector'; readonly connectorId: string; readonly connectorName: string }
  | { readonly kind: 'noWires' }
  | { readonly kind: 'unknown' };

/** What a second plug on the old speaker does. */
export type SecondPlug = 'none' | 'sound' | 'warning' | 'unexplained' | 'notLooked';

export type FitOpening = {
  readonly label: string;
  /** The name of the size that the opening was made for; orders candidates, proves nothing. */
  readonly nominalSize: string;
  readonly hole: Outline<Dimension | null>;
  readonly bolts: BoltPattern | null;
  readonly behind: Behind;
  /** From the mounting plane to what lies behind, with the window down. */
  readonly depthBehind: Dimension | null;
  /** From the mounting plane to the grille or the door card. */
  readonly frontGap: Dimension | null;
  readonly wiring: FactoryWiring;
  readonly secondPlug: SecondPlug;
};

export type DepthDatum = 'underside' | 'top' | 'notStated';

/** What a speaker's plug or spades need to be met by. */
export type Terminals = 'spades 2.8 + 4.8' | 'spades 4.8 + 6.3' | 'bare ends';

export type FitSpeaker = {
  readonly id: string;
  readonly name: string;
  readonly nominalSize: string;
  /** The widest section that has to enter the hole. */
  readonly basket: Outline;
  readonly flange: Outline;
  readonly flangeThickness: Dimension;
  readonly mountingDepth: Dimension;
  readonly depthDatum: DepthDatum;
  /** The tallest part in front at full excursion, above the flange's top face. */
  readonly frontHeight: Dimension;
  readonly magnetDiameter: Dimension;
  readonly bolts: BoltPattern;
  readonly terminals: Terminals;
  readonly pieceCostMinor: number;
};

export type FitBracket = {
  readonly id: string;
  readonly name: string;
  /** Holes towards the vehicle. */
  readonly vehicleBolts: BoltPattern;
  /** Screw positions towards the speaker; `holeDiameterMm` is the screw's. */
  readonly speakerBolts: BoltPattern;
  readonly throat: Outline;
  readonly plate: Outline;
  readonly height: Dimension;
  readonly pieceCostMinor: number;
};

export type FitSpacer = {
  readonly id: string;
  readonly name: string;
  readonly inner: Outline;
  readonly outer: Outline;
  readonly height: Dimension;
  readonly pieceCostMinor: number;
};

/** Plugs into the factory connector on one side. */
export type FitHarnessAdapter = {
  readonly id: string;
  readonly name: string;
  readonly fromConnectorId: string;
  readonly to:
    | { readonly kind: 'terminals'; readonly terminals: Terminals }
    | { readonly kind: 'connector'; readonly connectorId: string };
  readonly pieceCostMinor: number;
};

/** Speaker, bracket or none, spacer or none: metal, spacer, bracket, flange, from the door to the cabin. */
export type Candidate = {
  readonly speaker: FitSpeaker;
  readonly bracket: FitBracket | null;
  readonly spacer: FitSpacer | null;
};

export type FitRules = {
  /** Room the shop asks for, mm. */
  readonly clearancesMm: {
    readonly glass: number;
    readonly metal: number;
    readonly front: number;
    readonly hole: number;
  };
  /** One-sided confidence for "clears" and "hits", 0.5 to 1 exclusive. */
  readonly confidence: number;
};

export type FitCatalogue = {
  readonly speakers: readonly FitSpeaker[];
  readonly brackets: readonly FitBracket[];
  readonly spacers: readonly FitSpacer[];
  readonly adapters: readonly FitHarnessAdapter[];
};
