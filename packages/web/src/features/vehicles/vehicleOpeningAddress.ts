import { type NamedPlace, type OpeningRecord, placeLabel } from '@low-quarry/core/model';

/** Where an opening of a vehicle is looked at; it is known by what it is called. */
export function vehicleOpeningAddress(vehicleId: string, place: NamedPlace): string {
  return `/vehicles/${encodeURIComponent(vehicleId)}/openings/${encodeURIComponent(placeLabel(place))}`;
}

export function openingCalled(openings: readonly OpeningRecord[], label: string): OpeningRecord | null {
  return openings.find((each) => placeLabel(each) === label) ?? null;
}
