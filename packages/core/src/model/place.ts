/** Where an opening is in a vehicle, in the trade's words. Left and right are those of a person in the driver's seat. */
import { z } from 'zod';

export const PLACE_LABELS = {
  frontDoorLow: 'Front door',
  rearDoor: 'Rear door',
  dashCorner: 'Dash corner',
  dashCentre: 'Dash centre',
  sailPanel: 'Sail panel',
  kickPanel: 'Kick panel',
  aPillar: 'A-pillar',
  sidePanel: 'Side panel',
  rearDeck: 'Rear deck',
  overhead: 'Overhead',
} as const;

export const SIDES = ['left', 'right', 'centre'] as const;

export const placeSchema = z.enum(Object.keys(PLACE_LABELS) as [Place, ...Place[]]);
export const sideSchema = z.enum(SIDES);

export type Place = keyof typeof PLACE_LABELS;
export type Side = z.infer<typeof sideSchema>;

/** "Front door, left"; a centre place carries its side in its name already. */
export function placeLabel({ place, side }: { readonly place: Place; readonly side: Side }): string {
  const name = PLACE_LABELS[place];
  return side === 'centre' ? name : `${name}, ${side}`;
}

const AIRBAG_PLACES: ReadonlySet<Place> = new Set([
  'dashCorner',
  'dashCentre',
  'sailPanel',
  'aPillar',
  'sidePanel',
  'overhead',
]);

/** Whether covers at this place hold an airbag in some vehicles (common practice, no source). */
export function mayHoldAirbag(place: Place): boolean {
  return AIRBAG_PLACES.has(place);
}
