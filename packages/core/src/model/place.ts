/** Where an opening is in a vehicle, in the trade's words. Left and right are those of a person in the driver's seat. */
import { z } from 'zod';

export const PLACE_LABELS = {
  frontDoorLow: 'Front door',
  frontDoorHigh: 'Front door, upper',
  rearDoor: 'Rear door',
  rearDoorHigh: 'Rear door, upper',
  dashCorner: 'Dash corner',
  dashCentre: 'Dash centre',
  sailPanel: 'Sail panel',
  kickPanel: 'Kick panel',
  aPillar: 'A-pillar',
  sidePanel: 'Side panel',
  rearWall: 'Rear wall',
  rearDeck: 'Rear deck',
  overhead: 'Overhead',
  underSeat: 'Under the seat',
  other: 'Another place',
} as const;

export const SIDES = ['left', 'right', 'centre'] as const;

export const placeSchema = z.enum(Object.keys(PLACE_LABELS) as [Place, ...Place[]]);
export const sideSchema = z.enum(SIDES);

export type Place = keyof typeof PLACE_LABELS;
export type Side = z.infer<typeof sideSchema>;

/** Where it is, and by which name it is told from another one there. */
export type NamedPlace = { readonly place: Place; readonly side: Side; readonly name?: string };

/**
 * "Front door, left", "Front door, left, woofer"; a centre place carries its side in its name already, and another place than the
 * usual ones is called as it was named.
 */
export function placeLabel({ place, side, name = '' }: NamedPlace): string {
  const isNamed = place === 'other' && name !== '';
  const words = [isNamed ? name : PLACE_LABELS[place], ...(side === 'centre' ? [] : [side])];
  return [...words, ...(name === '' || isNamed ? [] : [name])].join(', ');
}

const AIRBAG_PLACES: ReadonlySet<Place> = new Set([
  'dashCorner',
  'dashCentre',
  'sailPanel',
  'aPillar',
  'sidePanel',
  'overhead',
  'underSeat',
  'other',
]);

/** Whether covers at this place hold an airbag in some vehicles (common practice, no source). */
export function mayHoldAirbag(place: Place): boolean {
  return AIRBAG_PLACES.has(place);
}

const DOOR_PLACES: ReadonlySet<Place> = new Set(['frontDoorLow', 'frontDoorHigh', 'rearDoor', 'rearDoorHigh']);

export function isInDoor(place: Place): boolean {
  return DOOR_PLACES.has(place);
}

/** Whether a wire from the body to it passes a hinge: in a door, or in the trim before its window, which is on the door in nearly every car (common practice, no source). */
export function isBehindHinge(place: Place): boolean {
  return isInDoor(place) || place === 'sailPanel';
}

export function isInDash(place: Place): boolean {
  return place === 'dashCorner' || place === 'dashCentre';
}

/** Whether the battery goes off before work there: for airbags and their sensors. */
export function needsSupplyOff(place: Place): boolean {
  return mayHoldAirbag(place) || isInDoor(place);
}
