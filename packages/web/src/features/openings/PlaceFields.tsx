/** Where something lies on the face of an opening, from the centre of its hole. */
import { NumberField } from '../../ui/NumberField';

type PlaceFieldsProps = {
  /** Which place of it is meant; left out where it has but one. */
  readonly of?: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly onChange: (change: { readonly xMm: number } | { readonly yMm: number }) => void;
};

const PLACE = { kind: 'length', least: -300, most: 300 } as const;

export function PlaceFields({ of, xMm, yMm, onChange }: PlaceFieldsProps) {
  return (
    <>
      <NumberField
        label="To the right of the centre"
        {...(of ? { hint: `Of ${of}, seen from the cabin; to the left with a minus.` } : {})}
        {...PLACE}
        value={xMm}
        onChange={(value) => onChange({ xMm: value })}
      />
      <NumberField
        label="Above the centre"
        {...(of ? { hint: `Of ${of}; below with a minus.` } : {})}
        {...PLACE}
        value={yMm}
        onChange={(value) => onChange({ yMm: value })}
      />
    </>
  );
}
