/**
 * What the checks work on: plain shapes with dimensions, no records. `model` maps a record to these, so geometry can
 * be tested with three numbers and a change of the database never reaches it.
 *
 * Frame: z = 0 is the mounting plane (the metal the part is screwed to), +z points into the door towards the glass,
 * −z to the cabin. Face views are seen from the cabin, x to the right, y up, 0 at the hole's centre.
 */
import type { BoltPattern, Outline, PartOutline } from '../geometry';
import type { Housing } from '../housing';
import type { Dimension } from '../uncertainty';
import type { HarnessAdapter, Terminals } from '../wiring';
import type { OpeningDimensionKey } from './Check';

/** What lies behind the opening. */
export type Behind = 'glass' | 'metal' | 'nothing';

/** What is known of the plug behind the opening. */
export type FactoryWiring =
  | { readonly kind: 'connector'; readonly connectorId: string; readonly connectorName: string }
  | { readonly kind: 'noWires' }
  /** There was one; somebody cut it off. */
  | { readonly kind: 'cut' }
  | { readonly kind: 'bare' }
  | { readonly kind: 'broken' }
  | { readonly kind: 'tapedBack' }
  | { readonly kind: 'unknown' };

/** What a second plug on the old speaker does. */
/** `sound`: nobody has looked whether its wires go on to another speaker; `soundAlone`: they do not; `soundOn`: they do. */
export type SecondPlug = 'none' | 'soundAlone' | 'soundOn' | 'sound' | 'warning' | 'unexplained' | 'notLooked';

/** What pins of a plug bring besides the sound of the speaker; `words` says which pins. */
export type PinsBeyond = {
  readonly carries: 'warning' | 'notKnown' | 'feed';
  readonly words: string;
  readonly isOfSecondPlug: boolean;
};

/** Whether an airbag sits behind or beside the cover that has to come off; `notAsked` where covers of that place are not asked about. */
export type Airbag = 'none' | 'near' | 'notLooked' | 'notAsked';

/** One reading of the depth to what lies behind, at a place of the face. */
export type DepthReading = {
  /** The end of its name: `depthBehind` for the centre, `depthTop`, … */
  readonly key: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly depth: Dimension;
};

/**
 * How what lies behind leans and curves where nobody has measured it, as ratios (tan of the lean) and 1/mm. They are
 * dimensions like any other: readings at two or more places take their part over.
 */
export type SheetDefaults = {
  /** Change of depth to the right, mm a mm. */
  readonly sideLean: Dimension;
  /** Change of depth upwards, mm a mm; negative leans to the cabin at the top, as door glass does. */
  readonly lean: Dimension;
  /** z = … + curvature · y², 1/mm; negative is hollow towards the cabin. */
  readonly curvature: Dimension;
};

/** Soft: felt, foam, film, which give. */
export const OBSTACLE_KINDS = ['beam', 'rail', 'wiring', 'skin', 'soft', 'other'] as const;
export type ObstacleKind = (typeof OBSTACLE_KINDS)[number];

export type FitObstacle = {
  readonly id: string;
  readonly label: string;
  readonly kind: ObstacleKind;
  /** The nearest point of it, seen from the cabin, mm. */
  readonly xMm: number;
  readonly yMm: number;
  /** From the mounting plane straight in to its surface there. */
  readonly depth: Dimension;
  /** How far it may stand aside of there, to the right and upwards; values 0. */
  readonly placeX: Dimension;
  readonly placeY: Dimension;
  /** Direction of its length in the face from +x, anticlockwise, rad. */
  readonly angleRad: number;
  /** How much deeper it gets along its length, rad. */
  readonly tiltRad: number;
  /** How far what is soft may be pressed in, mm; 0 for anything else. */
  readonly givesMm: number;
  readonly shape:
    | { readonly kind: 'rod'; readonly diameterMm: number }
    | { readonly kind: 'box'; readonly lengthMm: number; readonly widthMm: number; readonly thicknessMm: number };
};

/**
 * How the old speaker is held, and so what a new one finds: screw holes, rivets to drill out, expanding plugs, hooks and one
 * bolt, snap tabs, a seat it is pressed into, or glue.
 */
export const FIXINGS = ['screws', 'rivets', 'plugs', 'hooks', 'tabs', 'pressFit', 'glue'] as const;
export type Fixing = (typeof FIXINGS)[number];
/** What a plate can take hold of as the old speaker did. */
export const COPIED_FIXINGS = ['hooks', 'tabs'] as const satisfies readonly Fixing[];

/** What may be taken as it is usual for a body, until somebody looks. */
export const ASSUMABLE = ['holeKind', 'bolts', 'fixing', 'behind'] as const;
export type Assumable = (typeof ASSUMABLE)[number];

/** Screws of one size that come in a part's box. */
export type ScrewBag = {
  readonly count: number;
  readonly diameterMm: number;
  /** Under the head. */
  readonly lengthMm: number;
  /** Width of the head; null where the catalogue does not say. */
  readonly headMm: number | null;
};

export const FRONT_KINDS = ['card', 'grille', 'cloth', 'ring'] as const;
export type FrontKind = (typeof FRONT_KINDS)[number];

/** What stands in front of the opening, besides what the front gap was read to. */
export type FrontLayer = {
  readonly id: string;
  readonly label: string;
  /** Cloth may be touched as far as the shop lets it; the others keep the clearance of the front. */
  readonly kind: FrontKind;
  /** From the mounting plane to its back. */
  readonly gap: Dimension;
  /** Of a frame, the diameter that is free in its middle, about the opening's centre; null for what is closed. */
  readonly inside: Dimension | null;
};

/** What stands proud of the metal around the hole, towards the cabin: a weld bead, a stud, an old nut. */
export type ProudThing = {
  readonly id: string;
  readonly label: string;
  /** Its middle, seen from the cabin, mm. */
  readonly xMm: number;
  readonly yMm: number;
  /** How far it may lie aside of there, to the right and upwards; values 0. */
  readonly placeX: Dimension;
  readonly placeY: Dimension;
  readonly diameterMm: number;
  readonly height: Dimension;
};

export type MountMaterial = 'sheetSteel' | 'aluminium' | 'plastic' | 'board';

export type FitOpening = {
  readonly label: string;
  /** Whether there is a hole at all: a blank panel has none, and neither has a place that this vehicle lacks. */
  readonly isThere: 'yes' | 'blank' | 'no';
  /** Facts that nobody has looked at on this vehicle or one like it. */
  readonly assumed: readonly Assumable[];
  /** The name of the size that the opening was made for; orders candidates, proves nothing. */
  readonly nominalSize: string;
  readonly hole: Outline<Dimension | null>;
  /** Direction of the long axis of an oval or a rectangle from +x, anticlockwise, rad. */
  readonly holeRad: number;
  /** Thickness of the wall that the hole is in. */
  readonly wallMm: number;
  readonly material: MountMaterial;
  /** A step in the wall around the hole into which plate or flange must go; null for a flat wall. */
  readonly recess: { readonly depthMm: number; readonly outline: Outline } | null;
  /** A seat or a housing behind the hole, round about its centre: how deep it reaches from the mounting plane, and how wide it is; null for none. */
  readonly bore: { readonly depth: Dimension; readonly inside: Dimension } | null;
  readonly bolts: BoltPattern | null;
  readonly fixing: Fixing;
  /** The lengths of the screw pattern that have not been measured. */
  readonly boltsMissing: readonly OpeningDimensionKey[];
  readonly behind: Behind;
  /** From the mounting plane to what lies behind, with the window down, at any number of places. */
  readonly depths: readonly DepthReading[];
  readonly sheet: SheetDefaults;
  /** Height of the glass's lower edge above the centre when the window is fully down; null for the whole sheet. */
  readonly lowerEdge: Dimension | null;
  readonly obstacles: readonly FitObstacle[];
  /** Whether somebody looked on this car for what stands there. */
  readonly obstaclesLooked: boolean;
  /** From the mounting plane to the grille or the door card. */
  readonly proud: readonly ProudThing[];
  /** Whether somebody looked around the hole for more than those. */
  readonly proudLooked: boolean;
  readonly frontGap: Dimension | null;
  /** What the front gap was read to is the cloth of a grille, and it is cut away where the tallest part stands. */
  readonly clothIsCut: boolean;
  readonly front: readonly FrontLayer[];
  /** Where the factory plug comes from, seen from the cabin; null where nobody noted it. */
  readonly plugRad: number | null;
  readonly wiring: FactoryWiring;
  readonly secondPlug: SecondPlug;
  /** Empty where nothing more is known of, or nobody looked at the pins. */
  readonly pinsBeyond: readonly PinsBeyond[];
  readonly airbag: Airbag;
  /** The housing whose face this is; null for the vehicle's own opening. */
  readonly made: MadeFace | null;
};

/** A face that the shop makes, and what is under it as it is without. */
export type MadeFace = {
  readonly housing: Housing;
  /** On a panel that was closed: the car is changed. */
  readonly isOnClosed: boolean;
  /** Across. */
  readonly face: Dimension;
  readonly under: Pick<FitOpening, 'hole' | 'holeRad' | 'bolts' | 'isThere'>;
};

export type DepthDatum = 'underside' | 'top' | 'notStated';

/** What a speaker's plug or spades need to be met by. */

/** A section of the body at a depth below the flange's underside, full sizes in mm. */
export type ProfileSection = { readonly depthMm: number; readonly lengthMm: number; readonly widthMm: number };

/** What sticks out of the round body: terminals and plugs. */
export type BodyBox = {
  readonly label: string;
  /** Carries current: must not touch metal. */
  readonly live: boolean;
  /** Where it points from the axis, seen from the front, with the speaker unturned. */
  readonly angleRad: number;
  /** Distance of its inner and outer face from the axis, mm. */
  readonly innerMm: number;
  readonly outerMm: number;
  readonly widthMm: number;
  /** Depth of its nearest and farthest face below the flange's underside, mm. */
  readonly fromMm: number;
  readonly toMm: number;
};

export type FitSpeaker = {
  readonly id: string;
  readonly name: string;
  readonly nominalSize: string;
  /** The widest section that has to enter the hole. */
  readonly basket: PartOutline;
  readonly flange: PartOutline;
  readonly flangeThickness: Dimension;
  readonly mountingDepth: Dimension;
  readonly depthDatum: DepthDatum;
  /** What is not known because the datum is not stated; value 0. */
  readonly depthDoubt: Dimension;
  /** The tallest part in front at full excursion, above the flange's top face. */
  readonly frontHeight: Dimension;
  /** Diameter of what moves in front, with its surround; null where the catalogue does not say. */
  readonly surroundMm: number | null;
  readonly magnetDiameter: Dimension;
  /** Sections between flange and magnet; empty where the catalogue gives none and a typical profile is used. */
  readonly profile: readonly ProfileSection[];
  /** How far the profile's shoulders may lie off; value 0. */
  readonly profileDoubt: Dimension;
  /** How sure the widths of the sections are; value 0. */
  readonly widthDoubt: Dimension;
  readonly boxes: readonly BodyBox[];
  /** How far the boxes' faces may lie off; value 0. */
  readonly boxDoubt: Dimension;
  readonly bolts: BoltPattern;
  /** What comes in its box; empty where the catalogue does not say. */
  readonly screws: readonly ScrewBag[];
  /** How far their lengths may lie off; value 0. */
  readonly screwDoubt: Dimension;
  /** null where nobody noted them: then no lead is found. */
  readonly terminals: Terminals | null;
  /** Why figures of it are doubted, a sentence each; empty where none is. */
  readonly doubted: readonly string[];
  readonly pieceCostMinor: number;
};

/** A bracket in one of its snap-off states. */
export type FitBracket = {
  readonly kind: 'bracket';
  readonly id: string;
  readonly name: string;
  /** Holes towards the vehicle. */
  readonly vehicleBolts: BoltPattern;
  /** Screw positions towards the speaker; `holeDiameterMm` is the screw's. */
  readonly speakerBolts: BoltPattern;
  readonly throat: PartOutline;
  readonly plate: PartOutline;
  readonly height: Dimension;
  /** Centre of the speaker's side from the vehicle's side, in the bracket's own frame, mm. */
  readonly offsetXMm: number;
  readonly offsetYMm: number;
  /** Direction of the wire notch in the bracket's own frame; null for none. */
  readonly notchRad: number | null;
  /** Thickness under the heads of the screws to the vehicle, mm; null where the catalogue does not say. */
  readonly earMm: number | null;
  /** How much material the speaker's screws find, mm; null where the catalogue does not say. */
  readonly bossMm: number | null;
  /** Of the vehicle's fixings, those that it takes hold of itself. */
  readonly copies: readonly Fixing[];
  /** How far these thicknesses may lie off; value 0. */
  readonly thicknessDoubt: Dimension;
  readonly screws: readonly ScrewBag[];
  readonly screwDoubt: Dimension;
  readonly pieceCostMinor: number;
};

export type FitSpacer = {
  readonly kind: 'spacer';
  readonly id: string;
  readonly name: string;
  readonly inner: PartOutline;
  readonly outer: PartOutline;
  readonly height: Dimension;
  /** Cut from sheet for this opening: hole and outside are what they have to be. */
  readonly made: boolean;
  readonly pieceCostMinor: number;
};

/** What may stand between the metal and the speaker. */
export type FitLayer = FitBracket | FitSpacer;

export type Candidate = {
  readonly speaker: FitSpeaker;
  /** From the metal to the speaker. */
  readonly layers: readonly FitLayer[];
};

/** Sheet that rings are cut from. */
export type SheetStock = {
  readonly thicknessMm: number;
  readonly halfWidthMm: number;
  readonly ringCostMinor: number;
};

export type FitRules = {
  /** Room the shop asks for, mm. */
  readonly clearancesMm: {
    readonly glass: number;
    /** Beam, rail, second skin. */
    readonly metal: number;
    readonly wiring: number;
    readonly front: number;
    /** Off cloth that lies in front: 0 where it may be touched. */
    readonly cloth: number;
    readonly hole: number;
    /** From a live terminal to metal. */
    readonly terminal: number;
    /** How far plate, ring or flange reach over the hole under them. */
    readonly cover: number;
    /** Left beside a screw to the edge of a ring. */
    readonly wall: number;
    /** How far a screw reaches into what holds it. */
    readonly bite: number;
    /** Between a pilot's end and a face that is seen. */
    readonly finished: number;
  };
  /** One-sided confidence for "clears" and "hits", 0.5 to 1 exclusive. */
  readonly confidence: number;
  /** Thicknesses of sheet from which the shop cuts rings. */
  readonly stock: readonly SheetStock[];
  /** Brackets and spacer together must not be higher, mm. */
  readonly mostRaisedMm: number;
};

export type FitCatalogue = {
  readonly speakers: readonly FitSpeaker[];
  readonly brackets: readonly FitBracket[];
  readonly spacers: readonly FitSpacer[];
  readonly adapters: readonly HarnessAdapter[];
};
