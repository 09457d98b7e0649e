/**
 * The kinds of parts and what one of each is called, in the order in which order lists have them. The names alone: who only tells kinds
 * apart does not bring every kind's schema and words along. What hangs on a kind is in `partTable.ts`.
 */
const KINDS = {
  speaker: 'Speaker',
  set: 'Set',
  tweeterSeat: 'Tweeter seat',
  pod: 'Pod',
  bracket: 'Bracket',
  spacer: 'Spacer',
  crossover: 'Crossover',
  amplifier: 'Amplifier',
  sourceUnit: 'Source unit',
  fascia: 'Fascia',
  bassBox: 'Bass box',
  sounder: 'Sounder',
  harnessAdapter: 'Harness adapter',
  looseConnector: 'Connector',
  bassBlocker: 'Bass blocker',
  capacitor: 'Capacitor',
  coil: 'Coil',
  resistor: 'Resistor',
  fastener: 'Fastener',
  panelClip: 'Panel clip',
  wire: 'Wire',
  terminal: 'Terminal',
  fuse: 'Fuse',
  distributor: 'Distributor',
  foam: 'Foam or gasket',
  deadeningSheet: 'Deadening sheet',
  sheet: 'Sheet stock',
  consumable: 'Consumable',
  tool: 'Tool',
} as const;

export type PartKind = keyof typeof KINDS;
export const PART_KINDS = Object.keys(KINDS) as [PartKind, ...PartKind[]];

/** What one part of a kind is called. */
export function partKindWord(kind: PartKind): string {
  return KINDS[kind];
}
