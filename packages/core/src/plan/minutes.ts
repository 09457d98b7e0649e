/**
 * What a step takes, minutes: common practice, no source, and from memory how an hour for a pair of front doors with plug-in parts is divided. A
 * rivet, a joint, a new wire and an unknown panel are the handbook's (section 14). The shop's own times will take their place.
 */
import type { AttachedKind, FastenerKind } from '../model';

/** To find and undo the first of a kind, and each more of it. */
type Each = { readonly first: number; readonly more: number };

export const FASTENER_MINUTES: Readonly<Record<FastenerKind, Each>> = {
  screw: { first: 0.75, more: 0.25 },
  bolt: { first: 1, more: 0.5 },
  pushPin: { first: 0.75, more: 0.25 },
  treeClip: { first: 1, more: 0.2 },
  plasticRivet: { first: 2, more: 2 },
  steelRivet: { first: 2, more: 2 },
  expandingPlug: { first: 1, more: 0.5 },
  hook: { first: 0.5, more: 0.1 },
  tab: { first: 0.5, more: 0.1 },
  crankClip: { first: 2, more: 1 },
  beltBolt: { first: 5, more: 5 },
  glue: { first: 5, more: 3 },
};

export const ATTACHED_MINUTES: Readonly<Record<AttachedKind, number>> = {
  plug: 0.5,
  lamp: 0.5,
  cable: 1,
  rod: 1.5,
  hose: 1,
  film: 3,
};

export const MINUTES = {
  ready: 5,
  photo: 1,
  battery: 4,
  pry: 2,
  /** A panel that nobody described takes so much more. */
  unknownPanel: 15,
  oldOut: 2,
  rivet: 2,
  joint: 4,
  newWire: 20,
  box: 20,
  filter: 5,
  newIn: 5,
  /** A door of which nobody measured what is reached: a quarter of what four take beyond their speakers (handbook, section 14). */
  quietDoor: 45,
  quietReady: 5,
  /** A square metre. */
  quietM2: 80,
  ring: 20,
  /** Wall, skin and finish of what is built: with its two boards two pods are 120 to 180 minutes (handbook, section 14). */
  pod: 45,
  wedge: 20,
  cup: 15,
  /** On the panel: marked, drilled from behind, held. */
  builtOn: 15,
  firstFit: 3,
  levelSwitch: 2,
  tabs: 3,
  tweeterSeat: 10,
  bagPlugs: 2,
  heard: 2,
  polarity: 2,
  window: 1,
  wiresFree: 1,
  functions: 1,
  startValues: 5,
  warningSounds: 3,
  newRadio: 20,
  radioLeads: 15,
  radioTried: 5,
  baseline: 10,
} as const;

/** Paint on a bare edge, sealant on a sawn one: what the tin says counts (common practice, no source), min. */
export const DRY_MIN = 20;

/** Of what the first side took (common practice). */
export const SECOND_SIDE = 0.5;

/** @param count null where nobody counted: as one */
export function fastenerMinutes(kind: FastenerKind, count: number | null): number {
  const { first, more } = FASTENER_MINUTES[kind];
  return first + more * ((count ?? 1) - 1);
}
