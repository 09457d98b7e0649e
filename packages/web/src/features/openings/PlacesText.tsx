/** Places of the face, one a line, as they are noted from a tracing. */
import { type FacePlace, readPlaces } from '@low-quarry/core/model';
import { type LengthUnit, printNumber } from '@low-quarry/core/units';
import { useState } from 'react';
import { Field, INPUT } from '../../ui/Field';
import { useSettings } from '../../ui/settings';
import { placesError } from './surroundings';

export type PlaceLimits = { readonly least: number; readonly most: number; readonly farthestMm: number };

type PlacesTextProps = {
  readonly label: string;
  readonly hint: string;
  readonly places: readonly FacePlace[];
  /** 3 where a bulge of the edge that follows may stand behind a place. */
  readonly columns: 2 | 3;
  readonly limits: PlaceLimits;
  readonly onChange: (places: readonly FacePlace[]) => void;
};

export function PlacesText({ label, hint, places, columns, limits, onChange }: PlacesTextProps) {
  const { unit } = useSettings();
  const [typed, setTyped] = useState<string | null>(null);
  const read = (text: string) => {
    const found = readPlaces(text, unit, columns);
    if (!found.ok) return { places: null, error: found.failure };
    const error = placesError(found.value, limits);
    return { places: error ? null : found.value, error };
  };
  const error = typed === null ? null : read(typed).error;
  return (
    <Field label={`${label}, ${unit}`} hint={hint} error={error}>
      {(ids) => (
        <textarea
          {...ids}
          data-number
          rows={6}
          value={typed ?? printPlaces(places, columns, unit)}
          onChange={({ target }) => {
            setTyped(target.value);
            const found = read(target.value).places;
            if (found) onChange(found);
          }}
          className={`${INPUT} py-2`}
        />
      )}
    </Field>
  );
}

function printPlaces(places: readonly FacePlace[], columns: 2 | 3, unit: LengthUnit): string {
  return places
    .map(({ xMm, yMm, bulgeMm }) =>
      (columns === 3 && bulgeMm !== 0 ? [xMm, yMm, bulgeMm] : [xMm, yMm])
        .map((each) => printNumber(each, unit))
        .join('; '),
    )
    .join('\n');
}
